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

/** So many parts are asked for beside each other. */
const BESIDE = 4;

/** Whether a product's first variants are told only. */
export const isBeginning = (told: Variants): boolean => told.whole && told.variants.length < told.count;

/** Reads on until all variants are here: they are told part by part, each as long as the first. */
async function complete(
  first: Answer<Variants>,
  part: (skip: number) => Promise<Answer<Variants>>,
  soon: (beginning: Variants) => void = () => undefined,
): Promise<Answer<Variants>> {
  let begin = first;
  for (let turn = 0; turn < AGAIN; turn++) {
    const { data } = begin;
    if (!data || !isBeginning(data)) return begin;
    soon(data);
    const long = data.variants.length;
    const parts: Answer<Variants>[] = [];
    const count = Math.ceil(data.count / long) - 1;
    const places = Array.from({ length: count }, (_, at) => at).values();
    const readOn = async (): Promise<void> => {
      for (const at of places) parts[at] = await part((at + 1) * long);
    };
    await Promise.all(Array.from({ length: BESIDE }, readOn));
    const failed = parts.find((one) => !one.data);
    if (failed) return { error: failed.error };
    if (parts.every((one) => one.data?.seen === data.seen))
      return {
        data: { ...data, variants: [data, ...parts.map((one) => one.data)].flatMap((one) => one?.variants ?? []) },
      };
    // Somebody else has changed them meanwhile.
    begin = await part(0);
  }
  return { error: { code: "unsettled", message: say("variants-change-all-time") } };
}

/** The variants as they are once some of them were told anew; those that weren't read yet are still to come. */
function withChanged(now: Variants, told: Variants): Variants {
  if (told.whole) return told;
  const [gone, set] = [new Set(told.gone), new Map(told.variants.map((one) => [one.id, one] as const))];
  const variants = now.variants.filter((one) => !gone.has(one.id)).map((one) => set.get(one.id) ?? one);
  return { ...told, whole: now.whole, variants };
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
    async (soon) => complete(await part(0), part, soon),
    (now) => {
      const there = new Set(now.variants.map((variant) => variant.id));
      chosen.value = new Set([...chosen.value].filter((id) => there.has(id)));
    },
    async () => complete(await since(), part),
    false,
    withChanged,
  );
  const { view, problem, overtaken, step, stepThenRead } = steps;
  let reading = Promise.resolve(false);
  const load = (): Promise<boolean> => (reading = steps.load());
  /** Waits until all variants are there that could be read. */
  const whole = () => reading;
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
    const shown = (now: Variants): Variants => {
      const variants = now.variants.filter((one) => !ids.includes(one.id));
      return { ...now, count: now.count - (now.variants.length - variants.length), variants };
    };
    return step((send) => all(ask(api.DELETE("/api/variants", { params, body: { ids }, ...send }))), { shows: shown });
  };

  /** A value's name by its number; a variant without one takes any. */
  const names = computed(
    () => new Map((view.value?.options ?? []).flatMap((option) => option.values.map((v) => [v.id, v.name] as const))),
  );
  return {
    product,
    view,
    problem,
    overtaken,
    chosen,
    names,
    load,
    whole,
    stepThenRead,
    change,
    fill,
    make,
    use,
    remove,
  };
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
