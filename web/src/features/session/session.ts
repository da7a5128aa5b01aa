import { defineStore } from "pinia";
import { ref } from "vue";
import { type ApiError, type Schemas, api, ask, useSignIn, useToken } from "../../api/client";
import { useFeed } from "../../session/useFeed";
import { useOutbox } from "../../session/useOutbox";

type View = Schemas["SessionView"];

/** Said where nobody is signed in. */
const NO_SESSION = "sign_in_first";
/** Milliseconds until it is asked again who is signed in. */
const AGAIN_MS = 1000;

/** Who is signed in, and which shop it is. */
export const useSession = defineStore("session", () => {
  const outbox = useOutbox();
  const feed = useFeed();
  const owner = ref<string | null>(null);
  const shop = ref<Schemas["Shop"] | null>(null);
  /** Whether the session has ended while its owner was at work: they sign in again over the view as it stands. */
  const over = ref(false);
  /** Whether nobody answers who is signed in. */
  const unknown = ref(false);
  /** Who has signed in there, where it is somebody else. */
  const other = ref<string | null>(null);
  let ownerId: number | null = null;
  let restored = false;
  let waiting: ((sameOwner: boolean) => void)[] = [];

  function take(view: View): void {
    owner.value = view.owner;
    ownerId = view.owner_id;
    shop.value = view.shop;
    useToken(view.csrf);
    useSignIn({ renew, again });
    [over.value, other.value] = [false, null];
    waiting.forEach((go) => go(true));
    waiting = [];
    void outbox.begin(String(view.owner_id));
    feed.begin();
  }

  /** Asks which session it is; nothing where it is none. Fails where that isn't known. */
  async function now(): Promise<View | null> {
    const { data, error } = await ask(api.GET("/api/session"));
    if (error && error.code !== NO_SESSION) throw new Error(error.message);
    return data ?? null;
  }

  /** Finds out once whether a session is still there; asks until it is known. */
  async function restore(): Promise<void> {
    while (!restored) {
      const found = await now().catch(() => undefined);
      unknown.value = found === undefined;
      if (found === undefined) await new Promise((go) => setTimeout(go, AGAIN_MS));
      else restored = true;
      if (found) take(found);
    }
  }
  /** The session has another token by now: in another tab the same owner signed in anew, or somebody else. */
  async function renew(): Promise<boolean> {
    const found = await now();
    if (found && found.owner_id === ownerId) {
      useToken(found.csrf);
      return true;
    }
    over.value = true;
    return false;
  }
  /** Waits until somebody has signed in again. */
  function again(): Promise<boolean> {
    over.value = true;
    return new Promise((go) => waiting.push(go));
  }

  async function signIn(email: string, password: string): Promise<ApiError | null> {
    const { data, error } = await ask(api.POST("/api/session", { body: { email, password } }));
    if (data && over.value && data.owner_id !== ownerId) other.value = data.owner;
    else if (data) take(data);
    return error ?? null;
  }
  /** Whoever signed in in place of somebody else begins anew; what waits stays here for who made it. */
  const beginAnew = (): void => location.reload();
  async function signBackOut(): Promise<void> {
    await ask(api.DELETE("/api/session"));
    other.value = null;
  }

  /** Begins anew, so that nothing of one owner is left for the next. */
  async function signOut(): Promise<ApiError | null> {
    const { error } = await ask(api.DELETE("/api/session"));
    if (!error) location.assign("/sign-in");
    return error ?? null;
  }

  return { owner, shop, over, unknown, other, restore, signIn, beginAnew, signBackOut, signOut };
});
