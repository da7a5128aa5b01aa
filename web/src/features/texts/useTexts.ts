import { computed, ref, shallowRef } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";

type Texts = Schemas["Texts"];
type View = Schemas["TextsView"];

/** What is kept, and below it a row for each that products of the type usually have and this one hasn't. */
function withUsual({ texts, usual }: View): Texts {
  const { details, facts, ...rest } = structuredClone(texts);
  const lacking = (names: string[], has: string[]): string[] =>
    names.filter((name) => !has.some((one) => one.toLowerCase() === name.toLowerCase()));
  const titles = details.map((one) => one.title);
  const names = facts.map((one) => one.name);
  return {
    ...rest,
    details: [...details, ...lacking(usual.details, titles).map((title) => ({ title, text: "" }))],
    facts: [...facts, ...lacking(usual.facts, names).map((name) => ({ name, value: "" }))],
  };
}

/** The texts and facts of a product: as they are kept, and as they are being written. */
export function useTexts(handle: () => string) {
  const view = shallowRef<View | null>(null);
  const form = ref<Texts | null>(null);
  const problem = ref<ApiError | null>(null);
  const busy = ref(false);
  /** How often they were kept from here: shoppers see another page each time. */
  const kept = ref(0);
  const path = computed(() => ({ params: { path: { handle: handle() } } }));

  function take(now: View): void {
    view.value = now;
    form.value = withUsual(now);
  }
  async function load(): Promise<void> {
    const { data, error } = await ask(api.GET("/api/products/{handle}/texts", path.value));
    problem.value = error ?? null;
    if (data) take(data);
  }
  const changed = computed(
    () => view.value !== null && JSON.stringify(form.value) !== JSON.stringify(withUsual(view.value)),
  );

  /** Whether they are kept now. */
  async function keep(): Promise<boolean> {
    if (!view.value || !form.value || busy.value) return false;
    busy.value = true;
    const body = { was: view.value.texts, texts: form.value };
    const { data, error } = await ask(api.PUT("/api/products/{handle}/texts", { ...path.value, body }));
    busy.value = false;
    problem.value = error ?? null;
    // What somebody else wrote is what these texts take the place of, once they are kept again.
    if (error?.code === "overtaken") {
      const { data: theirs } = await ask(api.GET("/api/products/{handle}/texts", path.value));
      if (theirs) view.value = theirs;
    }
    if (!data) return false;
    take(data);
    kept.value += 1;
    return true;
  }
  function leaveIt(): void {
    problem.value = null;
    if (view.value) take(view.value);
  }

  return { view, form, problem, busy, kept, changed, load, keep, leaveIt };
}
