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
    () => ask(api.GET("/api/variants", { params: of() })),
    (now) => {
      const there = new Set(now.variants.map((variant) => variant.id));
      chosen.value = new Set([...chosen.value].filter((id) => there.has(id)));
    },
  );
  const { view, problem, overtaken, load, take, after } = steps;
  const change = (ids: number[], wanted: VariantChange) => {
    const params = of();
    return take((seen) => ask(api.PATCH("/api/variants", { params, body: { ids, ...wanted }, ...seen })));
  };
  const make = (body: Make) => {
    const params = of();
    return take((seen) => ask(api.POST("/api/variants/make", { params, body, ...seen })));
  };
  const use = (body: Schemas["OptionUse"][]) => {
    const params = of();
    return take((seen) => ask(api.PUT("/api/variants/options", { params, body, ...seen })));
  };
  const remove = (ids: number[]) => {
    const params = of();
    return take((seen) => ask(api.DELETE("/api/variants", { params, body: { ids }, ...seen })));
  };

  /** A value's name by its number; a variant without one takes any. */
  const names = computed(
    () => new Map((view.value?.options ?? []).flatMap((option) => option.values.map((v) => [v.id, v.name] as const))),
  );
  return { product, view, problem, overtaken, chosen, names, load, after, change, make, use, remove };
}
export type VariantsControl = ReturnType<typeof useVariants>;
