import { type Ref, computed, ref, shallowRef, watch } from "vue";
import { type Answer, type Schemas, api, ask, offline } from "../../api/client";
import { useVisit } from "../../ui/visit/useVisit";
import { useDesk } from "./deskStore";
import { useLeaf } from "./useLeaf";
import { useRested } from "./useRested";
import type { Look, PricesMood, SaleMood, Situation, StockMood } from "./types";
import { say } from "../../words";

export type Kept = Schemas["KeptView"];

/** The situation under which the proofs are shown: product, choice, stock, sale, quantity, cart, day, language. */
export function useSituation(first: () => string | undefined, looks: Ref<number>) {
  const desk = useDesk();
  const leaves = useLeaf(first);
  const product = computed(() => leaves.product.value?.handle ?? null);
  /** What it is called, before anything else is known of it. */
  const name = computed(() => leaves.product.value?.name ?? "");
  const choice = ref<string | null>(null);
  const stock = ref<StockMood>("as_it_is");
  const sale = ref<SaleMood>("as_it_is");
  const soon = ref(false);
  const prices = ref<PricesMood>("as_it_is");
  const day = ref("");
  const language = ref<Schemas["Language"]>("en");
  const visit = useVisit();
  /** 0 for buying once. */
  const plan = ref(0);
  const facts = shallowRef<Situation | null>(null);
  const kept = shallowRef<Kept[]>([]);

  // What is chosen of one product means nothing of another.
  watch(product, () => (choice.value = null), { flush: "sync" });

  const query = computed((): Look | null => {
    if (!product.value) return null;
    const own = choice.value === null ? {} : { choice: choice.value };
    const onDay = day.value === "" ? {} : { day: day.value };
    return {
      product: product.value,
      ...own,
      ...onDay,
      stock: stock.value,
      sale: sale.value,
      coming_soon: soon.value,
      ...visit.query.value,
      prices: prices.value,
      ...(plan.value > 0 ? { plan: plan.value } : {}),
      language: language.value,
    };
  });
  watch(query, (now) => (desk.look = now), { immediate: true });

  /** The address of a proof, with some of the situation otherwise. */
  function address(otherwise: Partial<Look> = {}, which: Record<string, string> = {}): string | null {
    if (!desk.view || !query.value) return null;
    const wanted = { ...query.value, ...otherwise };
    if (otherwise.product && otherwise.product !== query.value.product) delete wanted.choice;
    const pairs = Object.entries({ ...wanted, ...which }).filter(([, value]) => value !== null && value !== undefined);
    const text = new URLSearchParams(pairs.map(([key, value]) => [key, String(value)]));
    return `/api/templates/${desk.view.id}/proof?${text.toString()}`;
  }
  const proofAddress = computed(() => address());

  const rested = useRested(() => desk.draft?.revision);
  watch(
    [query, rested, looks],
    async () => {
      if (!desk.view || !query.value) return;
      const params = { path: { id: desk.view.id }, query: query.value };
      const asked = query.value;
      const { data, error } = await ask(api.GET("/api/templates/{id}/situation", { params }));
      if (asked !== query.value) return;
      // Without a connection the foot says as much.
      if (error && error.code !== offline.code) desk.problem = error;
      if (!data) return;
      facts.value = data;
      desk.onScreens = data.on_screens;
    },
    { immediate: true },
  );

  /** What differs from how a shopper meets the page now, in a few words. */
  const told = computed(() => {
    const parts: string[] = [];
    if (stock.value !== "as_it_is") parts.push(say("situation-stock", { stock: stock.value }));
    if (sale.value !== "as_it_is") parts.push(say("situation-sale", { sale: sale.value }));
    if (soon.value) parts.push(say("situation-coming-soon"));
    const { cart } = visit.query.value;
    if (cart !== "empty") parts.push(cart === "this" ? say("situation-cart") : say("situation-cart-not-empty"));
    if (prices.value === "draft") parts.push(say("situation-prices-draft"));
    if (day.value) parts.push(say("situation-on", { day: day.value }));
    if (plan.value > 0) parts.push(say("situation-plan"));
    return parts.join(", ");
  });

  /** Whether it was kept so. */
  function takeKept({ data, error }: Answer<Kept[]>): boolean {
    if (data) kept.value = data;
    if (error) desk.problem = error;
    return data !== undefined;
  }
  async function loadKept(): Promise<void> {
    takeKept(await ask(api.GET("/api/situations")));
  }

  /** Keeps the situation by a name; with the product and its choice, or for any product. */
  async function keep(name: string, withProduct: boolean): Promise<boolean> {
    const here = withProduct ? { product: product.value, choice: choice.value } : { product: null, choice: null };
    const state = {
      stock: stock.value,
      sale: sale.value,
      coming_soon: soon.value,
      prices: prices.value,
      ...visit.query.value,
    };
    const rest = { day: day.value || null, plan: plan.value || null };
    return takeKept(await ask(api.POST("/api/situations", { body: { name, look: { ...here, ...state, ...rest } } })));
  }

  async function forget(id: number): Promise<void> {
    takeKept(await ask(api.DELETE("/api/situations/{id}", { params: { path: { id } } })));
  }

  async function recall(one: Kept): Promise<void> {
    const to = one.look;
    if (to.product && (await leaves.look(to.product))) choice.value = to.choice ?? null;
    stock.value = to.stock;
    sale.value = to.sale;
    soon.value = to.coming_soon;
    visit.take(to);
    prices.value = to.prices ?? "as_it_is";
    day.value = to.day ?? "";
    plan.value = to.plan ?? 0;
  }

  /** Some of the situation becomes otherwise; the rest stays as it is. */
  function take(otherwise: Partial<Look>): void {
    stock.value = otherwise.stock ?? stock.value;
    sale.value = otherwise.sale ?? sale.value;
    soon.value = otherwise.coming_soon ?? soon.value;
    language.value = otherwise.language ?? language.value;
    choice.value = otherwise.choice ?? choice.value;
    visit.take({ ...visit.query.value, ...otherwise });
  }

  function plain(): void {
    stock.value = "as_it_is";
    sale.value = "as_it_is";
    soon.value = false;
    visit.take({});
    prices.value = "as_it_is";
    day.value = "";
    plan.value = 0;
  }

  const moods = { stock, sale, soon, prices, day, language, visit, plan };
  const keeping = { kept, loadKept, keep, forget, recall };
  return {
    product,
    choice,
    ...moods,
    name,
    facts,
    count: leaves.count,
    place: leaves.place,
    told,
    look: leaves.look,
    leaf: leaves.leaf,
    find: leaves.find,
    part: leaves.after,
    take,
    plain,
    address,
    proofAddress,
    ...keeping,
  };
}

export type SituationControl = ReturnType<typeof useSituation>;
