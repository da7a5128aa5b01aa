import { ref } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import { useOutbox } from "../../session/useOutbox";
import { type Call, type Send, asSeen } from "../../session/useSteps";
import { say } from "../../words";

export type ShelfType = Schemas["ShelfType"];
export type ShelfProduct = Schemas["ShelfProduct"];

/** The products by type, of each type the first ones. */
export function useShelf() {
  const types = ref<ShelfType[]>([]);
  const problem = ref<ApiError | null>(null);
  const loading = ref(true);

  const outbox = useOutbox();
  const send = (): Send => ({
    ...asSeen(undefined),
    fetch: outbox.through({ thing: "shelf", called: say("shelf-shelf") }),
  });

  async function load(): Promise<void> {
    loading.value = true;
    const { data, error } = await ask(api.GET("/api/shelf"));
    problem.value = error ?? null;
    if (data) types.value = data.types;
    loading.value = false;
  }

  /** Puts the product that stands at a place of a list now behind the one before it. */
  async function placed(products: ShelfProduct[], place: number): Promise<void> {
    const product = products[place];
    if (!product) return;
    const params = { path: { handle: product.handle } };
    const body = { behind: products[place - 1]?.handle ?? null };
    const { error } = await ask(api.PUT("/api/products/{handle}/place", { params, body, ...send() }));
    await load();
    problem.value = error ?? problem.value;
  }
  function move(products: ShelfProduct[], from: number, to: number): Promise<void> {
    products.splice(to, 0, ...products.splice(from, 1));
    return placed(products, to);
  }

  /** Takes a step of the journal, and reads the shelf. */
  async function stepThenRead(call: Call<unknown>): Promise<boolean> {
    const { error } = await call(send());
    if (!error) await load();
    problem.value = error ?? problem.value;
    return error === undefined;
  }

  return { types, problem, loading, load, placed, move, stepThenRead };
}
export type ShelfControl = ReturnType<typeof useShelf>;
