import { computed, ref, shallowRef, watch } from "vue";
import { type LocationQueryRaw, useRoute, useRouter } from "vue-router";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import type { ShelfProduct } from "./useShelf";

export type Standing = Schemas["Standing"];
export type ShelfOrder = Schemas["ShelfOrder"];

/** What is looked for on the shelf; it stands in the address, so that one comes back to it. */
export interface Wish {
  find: string;
  type: string | null;
  template: number | null;
  standing: Standing | null;
  order: ShelfOrder;
}
const OPEN: Wish = { find: "", type: null, template: null, standing: null, order: "placed" };

/** The products that fit what is looked for, loaded part by part as one scrolls. */
export function useFound() {
  const route = useRoute();
  const router = useRouter();
  const text = (name: string): string | null => {
    const value = route.query[name];
    return typeof value === "string" && value !== "" ? value : null;
  };
  const wish = computed<Wish>(() => ({
    find: text("find") ?? "",
    type: text("type"),
    template: Number(text("template")) || null,
    standing: text("standing") as Standing | null,
    order: (text("order") ?? "placed") as ShelfOrder,
  }));
  const asked = computed(() => JSON.stringify(wish.value) !== JSON.stringify(OPEN));
  function wishFor(part: Partial<Wish>): void {
    const all = { ...wish.value, ...part };
    const set = Object.entries(all).filter(([key, value]) => value !== OPEN[key as keyof Wish]);
    void router.replace({ query: Object.fromEntries(set) as LocationQueryRaw });
  }
  const everything = () => void router.replace({ query: {} });

  /** What was found last, with what else could be wished for. */
  const found = shallowRef<Schemas["ShelfFound"] | null>(null);
  const products = shallowRef<ShelfProduct[]>([]);
  const problem = ref<ApiError | null>(null);
  const busy = ref(false);
  let turn = 0;

  /** Only the last one that was asked counts. */
  async function part(skip: number): Promise<Schemas["ShelfFound"] | null> {
    const mine = ++turn;
    busy.value = true;
    const { find, type, template, standing, order } = wish.value;
    const named = { ...(type && { type }), ...(template && { template }), ...(standing && { standing }) };
    const query = { find, order, skip, ...named };
    const { data, error } = await ask(api.GET("/api/shelf/products", { params: { query } }));
    if (mine !== turn) return null;
    busy.value = false;
    problem.value = error ?? null;
    return data ?? null;
  }
  async function load(): Promise<void> {
    const first = await part(0);
    if (!first) return;
    found.value = first;
    products.value = first.products;
  }
  /** Loads more; whether there was any. */
  async function more(): Promise<boolean> {
    if (!found.value || products.value.length >= found.value.count || busy.value) return false;
    const next = await part(products.value.length);
    if (!next) return false;
    const there = new Set(products.value.map((one) => one.handle));
    products.value = [...products.value, ...next.products.filter((one) => !there.has(one.handle))];
    return next.products.length > 0;
  }
  watch(() => JSON.stringify(wish.value), load, { immediate: true });

  return { wish, asked, wishFor, everything, found, products, problem, busy, load, more };
}
export type FoundControl = ReturnType<typeof useFound>;
