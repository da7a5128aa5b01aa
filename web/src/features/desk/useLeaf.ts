import { computed, ref, shallowRef, watch } from "vue";
import { type Answer, type Schemas, api, ask } from "../../api/client";
import type { Lines } from "../../ui/products/ProductList.vue";
import { useDesk } from "./deskStore";

export type DeskProduct = Schemas["DeskProduct"];
type Part = Schemas["DeskProducts"];

/** So near an end of what is known, more is asked for. */
const NEAR = 6;

/**
 * The products that can be put on the desk, however many there are: known are those around the one that lies on it.
 */
export function useLeaf(first: () => string | undefined) {
  const desk = useDesk();
  const part = shallowRef<Part>({ count: 0, skip: 0, products: [] });
  const product = ref<DeskProduct | null>(null);
  const count = computed(() => part.value.count);
  const place = computed(() => {
    const at = part.value.products.findIndex((one) => one.handle === product.value?.handle);
    return at < 0 ? -1 : part.value.skip + at;
  });

  async function load(query: { near?: string; skip?: number }): Promise<Part | null> {
    const id = desk.view?.id;
    if (id === undefined) return null;
    const params = { path: { id }, query };
    const { data, error } = await ask(api.GET("/api/templates/{id}/products", { params }));
    if (id !== desk.view?.id) return null;
    if (error) desk.problem = error;
    return data ?? null;
  }

  function put(one: DeskProduct | null): void {
    product.value = one;
    desk.product = one;
  }
  watch(
    () => desk.view?.products,
    (now) => {
      if (!now) return put(null);
      part.value = now;
      const of = (handle: string | undefined) => now.products.find((one) => one.handle === handle);
      put(of(product.value?.handle) ?? of(first()) ?? now.products[0] ?? null);
    },
    { immediate: true },
  );

  /** Joins what was loaded to what is known, where the two touch. */
  function join(next: Part): void {
    const { skip, products } = part.value;
    const [end, nextEnd] = [skip + products.length, next.skip + next.products.length];
    const touch = next.count === part.value.count && next.skip <= end && nextEnd >= skip;
    if (!touch) return void (part.value = next);
    const before = next.products.slice(0, Math.max(0, skip - next.skip));
    const after = next.products.slice(Math.max(0, end - next.skip));
    part.value = {
      count: next.count,
      skip: Math.min(skip, next.skip),
      products: [...before, ...products, ...after],
    };
  }
  const known = (at: number): DeskProduct | undefined => part.value.products[at - part.value.skip];
  async function around(at: number): Promise<void> {
    const next = await load({ skip: Math.max(0, at - 24) });
    if (next) join(next);
  }

  /** Steps that are asked for while one is on its way are taken after it. */
  let steps = Promise.resolve();
  function leaf(step: -1 | 1): void {
    steps = steps.then(async () => {
      if (place.value < 0 || count.value === 0) return;
      const to = (place.value + step + count.value) % count.value;
      if (!known(to)) await around(to);
      put(known(to) ?? product.value);
      const ahead = to + step * NEAR;
      if (ahead >= 0 && ahead < count.value && !known(ahead)) void around(ahead);
    });
  }

  /** Puts a product on the desk, if it is among them. */
  async function look(handle: string): Promise<boolean> {
    const here = part.value.products.find((one) => one.handle === handle);
    if (here) {
      put(here);
      return true;
    }
    const next = await load({ near: handle });
    const found = next?.products.find((one) => one.handle === handle);
    if (!next || !found) return false;
    part.value = next;
    put(found);
    return true;
  }

  /** Those after some. */
  function after(skip: number): Promise<Answer<Part>> {
    const params = { path: { id: desk.view?.id ?? 0 }, query: { skip } };
    return ask(api.GET("/api/templates/{id}/products", { params }));
  }

  /** Some of them, by their names; with their types where they are of several. */
  async function find(words: string, skip: number): Promise<Answer<Lines>> {
    const { id = 0, types = [], serves_types: several = 0 } = desk.view ?? {};
    const params = { path: { id }, query: { find: words, skip } };
    const { data, error } = await ask(api.GET("/api/templates/{id}/products", { params }));
    if (!data) return { error };
    const kind = (of: string): string => (several === 1 ? "" : (types.find((one) => one.handle === of)?.name ?? ""));
    return { data: { ...data, products: data.products.map((one) => ({ ...one, kind: kind(one.kind) })) } };
  }

  return { product, count, place, leaf, look, find, after };
}
