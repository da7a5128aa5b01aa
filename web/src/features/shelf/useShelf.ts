import { ref } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import { useOutbox } from "../../session/useOutbox";
import { type Call, type Send, asSeen } from "../../session/useSteps";

export type ShelfType = Schemas["ShelfType"];

/** The products by type, loaded part by part. */
export function useShelf() {
  const types = ref<ShelfType[]>([]);
  const problem = ref<ApiError | null>(null);
  const loading = ref(true);

  const outbox = useOutbox();
  const send = (): Send => ({ ...asSeen(undefined), fetch: outbox.through({ thing: "shelf", called: "Shelf" }) });

  async function load(): Promise<void> {
    loading.value = true;
    const { data, error } = await ask(api.GET("/api/shelf"));
    problem.value = error ?? null;
    if (data) types.value = data.types;
    loading.value = false;
  }

  async function more(type: ShelfType): Promise<void> {
    const query = { type: type.handle, skip: type.products.length };
    const { data, error } = await ask(api.GET("/api/shelf", { params: { query } }));
    problem.value = error ?? null;
    const [next] = data?.types ?? [];
    type.products.push(...(next?.products ?? []));
    type.templates.push(...(next?.templates ?? []).filter((one) => !type.templates.some((t) => t.id === one.id)));
  }

  /** Puts the product that stands at a place now behind the one before it. */
  async function placed(type: ShelfType, place: number): Promise<void> {
    const product = type.products[place];
    if (!product) return;
    const params = { path: { handle: product.handle } };
    const body = { behind: type.products[place - 1]?.handle ?? null };
    const { error } = await ask(api.PUT("/api/products/{handle}/place", { params, body, ...send() }));
    await load();
    problem.value = error ?? problem.value;
  }
  function move(type: ShelfType, from: number, to: number): Promise<void> {
    type.products.splice(to, 0, ...type.products.splice(from, 1));
    return placed(type, to);
  }

  /** Takes a step of the journal, and reads the shelf. */
  async function stepThenRead(call: Call<unknown>): Promise<boolean> {
    const { error } = await call(send());
    if (!error) await load();
    problem.value = error ?? problem.value;
    return error === undefined;
  }

  return { types, problem, loading, load, more, placed, move, stepThenRead };
}
