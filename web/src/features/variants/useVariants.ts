import { computed, ref } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import { useSteps } from "../../session/useSteps";

export type Variants = Schemas["VariantsView"];
export type Variant = Schemas["VariantRow"];
export type VariantChange = Omit<Schemas["ChangeVariants"], "ids">;
export type Make = Schemas["MakeVariants"];

/** The variants of a product: which are chosen, and every change, one after another. */
export function useVariants(product: () => string) {
  const chosen = ref(new Set<number>());
  const of = () => ({ query: { product: product() } });
  const steps = useSteps<Variants>(
    () => ({ thing: `variants/${product()}`, called: "Variants" }),
    () => ask(api.GET("/api/variants", { params: of() })),
    (now) => {
      const there = new Set(now.variants.map((variant) => variant.id));
      chosen.value = new Set([...chosen.value].filter((id) => there.has(id)));
    },
  );
  const { view, problem, overtaken, load, step, stepThenRead } = steps;
  const change = (ids: number[], wanted: VariantChange) => {
    const params = of();
    const shown = (now: Variants): Variants => ({
      ...now,
      variants: now.variants.map((one) => (ids.includes(one.id) ? changed(one, wanted) : one)),
    });
    return step((send) => ask(api.PATCH("/api/variants", { params, body: { ids, ...wanted }, ...send })), {
      shows: shown,
    });
  };
  const make = (body: Make) => {
    const params = of();
    return step((send) => ask(api.POST("/api/variants/make", { params, body, ...send })));
  };
  const use = (body: Schemas["OptionUse"][]) => {
    const params = of();
    return step((send) => ask(api.PUT("/api/variants/options", { params, body, ...send })));
  };
  const remove = (ids: number[]) => {
    const params = of();
    const shown = (now: Variants): Variants => ({
      ...now,
      variants: now.variants.filter((one) => !ids.includes(one.id)),
    });
    return step((send) => ask(api.DELETE("/api/variants", { params, body: { ids }, ...send })), { shows: shown });
  };

  /** A value's name by its number; a variant without one takes any. */
  const names = computed(
    () => new Map((view.value?.options ?? []).flatMap((option) => option.values.map((v) => [v.id, v.name] as const))),
  );
  return { product, view, problem, overtaken, chosen, names, load, stepThenRead, change, make, use, remove };
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
