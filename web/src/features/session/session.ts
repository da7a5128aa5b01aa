import { defineStore } from "pinia";
import { ref } from "vue";
import { type ApiError, type Schemas, api, ask, useToken } from "../../api/client";

/** Who is signed in, and which shop it is. */
export const useSession = defineStore("session", () => {
  const owner = ref<string | null>(null);
  const shop = ref<Schemas["Shop"] | null>(null);
  let restored = false;

  function take(view: Schemas["SessionView"]): void {
    owner.value = view.owner;
    shop.value = view.shop;
    useToken(view.csrf);
  }

  /** Finds out once whether a session is still there. */
  async function restore(): Promise<void> {
    if (restored) return;
    restored = true;
    const { data } = await ask(api.GET("/api/session"));
    if (data) take(data);
  }

  async function signIn(email: string, password: string): Promise<ApiError | null> {
    const { data, error } = await ask(api.POST("/api/session", { body: { email, password } }));
    if (data) take(data);
    return error ?? null;
  }

  async function signOut(): Promise<void> {
    await ask(api.DELETE("/api/session"));
    owner.value = null;
    useToken("");
  }

  return { owner, shop, restore, signIn, signOut };
});
