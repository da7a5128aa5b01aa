import { computed, ref, shallowRef, watch } from "vue";
import { api, ask } from "../../api/client";
import { useDesk } from "./deskStore";
import type { Situation, StockMood } from "./types";

/** The situation under which the proofs are shown: product, choice, stock, quantity. */
export function useSituation(first: () => string | undefined) {
  const desk = useDesk();
  const product = ref<string | null>(null);
  const choice = ref<string | null>(null);
  const stock = ref<StockMood>("as_it_is");
  const quantity = ref(1);
  const facts = shallowRef<Situation | null>(null);

  const products = computed(() => desk.view?.products ?? []);
  const place = computed(() => products.value.findIndex((p) => p.handle === product.value));

  watch(
    products,
    (all) => {
      if (all.some((p) => p.handle === product.value)) return;
      const wanted = all.find((p) => p.handle === first()) ?? all[0];
      product.value = wanted?.handle ?? null;
      choice.value = null;
    },
    { immediate: true },
  );

  function look(handle: string): void {
    product.value = handle;
    choice.value = null;
  }

  /** Leafs to the next or the one before, around the ends. */
  function leaf(step: -1 | 1): void {
    const count = products.value.length;
    const next = products.value[(place.value + step + count) % count];
    if (next) look(next.handle);
  }

  const query = computed(() => {
    if (!product.value) return null;
    const own = choice.value === null ? {} : { choice: choice.value };
    return { product: product.value, ...own, stock: stock.value, quantity: sound(quantity.value) };
  });

  const proofAddress = computed(() => {
    if (!desk.view || !query.value) return null;
    const pairs = Object.entries(query.value).map(([key, value]): [string, string] => [key, String(value)]);
    return `/api/templates/${desk.view.id}/proof?${new URLSearchParams(pairs).toString()}`;
  });

  watch(
    [query, () => desk.draft?.revision],
    async () => {
      if (!desk.view || !query.value) return;
      const params = { path: { id: desk.view.id }, query: query.value };
      const asked = query.value;
      const { data } = await ask(api.GET("/api/templates/{id}/situation", { params }));
      if (data && asked === query.value) facts.value = data;
    },
    { immediate: true },
  );

  return { product, choice, stock, quantity, facts, products, place, look, leaf, proofAddress };
}
/** A quantity as it is being typed may be nothing yet, or too much. */
function sound(typed: unknown): number {
  return typeof typed === "number" && Number.isInteger(typed) ? Math.min(99, Math.max(1, typed)) : 1;
}

export type SituationControl = ReturnType<typeof useSituation>;
