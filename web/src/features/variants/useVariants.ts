import { computed, ref, shallowRef } from "vue";
import { type Answer, type ApiError, type Schemas, api, ask } from "../../api/client";

export type Variants = Schemas["VariantsView"];
export type Variant = Schemas["VariantRow"];
export type VariantChange = Omit<Schemas["ChangeVariants"], "ids">;
export type Make = Schemas["MakeVariants"];

/** The variants of a product: which are chosen, and every change, one after another. */
export function useVariants(product: () => string) {
  const view = shallowRef<Variants | null>(null);
  const problem = ref<ApiError | null>(null);
  const chosen = ref(new Set<number>());
  let queue: Promise<unknown> = Promise.resolve();

  function take(call: () => Promise<Answer<Variants>>): Promise<boolean> {
    const turn = queue.then(async () => {
      const { data, error } = await call();
      problem.value = error ?? null;
      if (data) {
        view.value = data;
        const there = new Set(data.variants.map((variant) => variant.id));
        chosen.value = new Set([...chosen.value].filter((id) => there.has(id)));
      }
      return data !== undefined;
    });
    queue = turn;
    return turn;
  }
  const of = () => ({ query: { product: product() } });
  const load = () => take(() => ask(api.GET("/api/variants", { params: of() })));
  const change = (ids: number[], wanted: VariantChange) => {
    const params = of();
    return take(() => ask(api.PATCH("/api/variants", { params, body: { ids, ...wanted } })));
  };
  const make = (body: Make) => {
    const params = of();
    return take(() => ask(api.POST("/api/variants/make", { params, body })));
  };
  const use = (body: Schemas["OptionUse"][]) => {
    const params = of();
    return take(() => ask(api.PUT("/api/variants/options", { params, body })));
  };
  const remove = (ids: number[]) => {
    const params = of();
    return take(() => ask(api.DELETE("/api/variants", { params, body: { ids } })));
  };

  /** A value's name by its number; a variant without one takes any. */
  const names = computed(
    () => new Map((view.value?.options ?? []).flatMap((option) => option.values.map((v) => [v.id, v.name] as const))),
  );
  return { product, view, problem, chosen, names, load, change, make, use, remove };
}
export type VariantsControl = ReturnType<typeof useVariants>;
