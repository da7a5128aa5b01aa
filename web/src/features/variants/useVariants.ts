import { computed, ref } from "vue";
import { type Answer, type Schemas, api, ask } from "../../api/client";
import { useSteps } from "../../session/useSteps";
import { say } from "../../words";

export type Variants = Schemas["VariantsView"];
export type Variant = Schemas["VariantRow"];
export type VariantChange = Omit<Schemas["ChangeVariants"], "ids">;
export type Make = Schemas["MakeVariants"];

/** So often variants are read from the beginning again, where somebody else goes on changing them meanwhile. */
const AGAIN = 4;

/** Reads on until all variants are here: they are told part by part. */
async function complete(
  first: Answer<Variants>,
  part: (skip: number) => Promise<Answer<Variants>>,
): Promise<Answer<Variants>> {
  let { data } = first;
  for (let turn = 0; data?.whole && data.variants.length < data.count;) {
    const next: Answer<Variants> = await part(data.variants.length);
    if (!next.data) return { error: next.error };
    if (next.data.seen === data.seen) {
      if (next.data.variants.length === 0) break;
      data = { ...data, variants: [...data.variants, ...next.data.variants] };
    } else if (++turn > AGAIN) break;
    else {
      const anew: Answer<Variants> = await part(0);
      if (!anew.data) return { error: anew.error };
      data = anew.data;
    }
  }
  return data ? { data } : first;
}

/** The variants as they are once some of them were told anew. */
function withChanged(now: Variants, told: Variants): Variants {
  if (told.whole) return told;
  const [gone, set] = [new Set(told.gone), new Map(told.variants.map((one) => [one.id, one] as const))];
  const variants = now.variants.filter((one) => !gone.has(one.id)).map((one) => set.get(one.id) ?? one);
  return { ...told, variants };
}

/** The variants of a product: which are chosen, and every change, one after another. */
export function useVariants(product: () => string) {
  const chosen = ref(new Set<number>());
  const of = () => ({ query: { product: product() } });
  const part = (skip: number): Promise<Answer<Variants>> =>
    ask(api.GET("/api/variants", { params: { query: { product: product(), ...(skip ? { skip } : {}) } } }));
  const since = (): Promise<Answer<Variants>> =>
    ask(api.GET("/api/variants", { params: { query: { product: product(), since: steps.server.value?.seen ?? "" } } }));
  const steps = useSteps<Variants>(
    () => ({ thing: `variants/${product()}`, called: say("variants-variants") }),
    async () => complete(await part(0), part),
    (now) => {
      const there = new Set(now.variants.map((variant) => variant.id));
      chosen.value = new Set([...chosen.value].filter((id) => there.has(id)));
    },
    async () => complete(await since(), part),
    false,
    withChanged,
  );
  const { view, problem, overtaken, load, step, stepThenRead } = steps;
  const all = async (answer: Promise<Answer<Variants>>) => complete(await answer, part);
  const change = (ids: number[], wanted: VariantChange) => {
    const params = of();
    const shown = (now: Variants): Variants => ({
      ...now,
      variants: now.variants.map((one) => (ids.includes(one.id) ? changed(one, wanted) : one)),
    });
    return step((send) => all(ask(api.PATCH("/api/variants", { params, body: { ids, ...wanted }, ...send }))), {
      shows: shown,
    });
  };
  /** A block that was pasted: each variant in its own way, all in one step. */
  const fill = (rows: ({ id: number } & VariantChange)[]) => {
    const params = of();
    const wanted = new Map(rows.map((row) => [row.id, row] as const));
    const shown = (now: Variants): Variants => ({
      ...now,
      variants: now.variants.map((one) => changed(one, wanted.get(one.id) ?? {})),
    });
    return step((send) => all(ask(api.PATCH("/api/variants/fill", { params, body: { rows }, ...send }))), {
      shows: shown,
    });
  };
  const make = (body: Make) => {
    const params = of();
    return step((send) => all(ask(api.POST("/api/variants/make", { params, body, ...send }))));
  };
  const use = (body: Schemas["OptionUse"][]) => {
    const params = of();
    return step((send) => all(ask(api.PUT("/api/variants/options", { params, body, ...send }))));
  };
  const remove = (ids: number[]) => {
    const params = of();
    const shown = (now: Variants): Variants => ({
      ...now,
      variants: now.variants.filter((one) => !ids.includes(one.id)),
    });
    return step((send) => all(ask(api.DELETE("/api/variants", { params, body: { ids }, ...send }))), { shows: shown });
  };

  /** A value's name by its number; a variant without one takes any. */
  const names = computed(
    () => new Map((view.value?.options ?? []).flatMap((option) => option.values.map((v) => [v.id, v.name] as const))),
  );
  return { product, view, problem, overtaken, chosen, names, load, stepThenRead, change, fill, make, use, remove };
}

/** A variant as it is once what was typed is taken. */
function changed(one: Variant, { sku, price, old_price, stock, measure, picture }: VariantChange): Variant {
  const text = (typed: string | null | undefined, now: string | null | undefined) =>
    typed === undefined || typed === null ? now : typed.trim() || null;
  const count = stock?.trim() ? Number(stock) : null;
  return {
    ...one,
    sku: sku?.trim() || one.sku,
    price: text(price, one.price),
    old_price: text(old_price, one.old_price),
    measure: text(measure, one.measure),
    stock: stock === undefined || stock === null ? one.stock : Number.isInteger(count) ? count : null,
    picture: picture ?? one.picture,
  };
}
export type VariantsControl = ReturnType<typeof useVariants>;
