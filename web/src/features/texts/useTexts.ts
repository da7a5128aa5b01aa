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
  /** Goes on from what is kept now; what was written since something was kept stays as it is written. */
  function follow(now: View, since: Texts): void {
    if (!form.value) return;
    const [kept, written] = [withUsual(now), form.value];
    const stays = <K extends keyof Texts>(key: K): Texts[K] =>
      JSON.stringify(written[key]) === JSON.stringify(since[key]) ? kept[key] : written[key];
    view.value = now;
    form.value = {
      ...kept,
      name: stays("name"),
      brand: stays("brand"),
      summary: stays("summary"),
      details: stays("details"),
      facts: stays("facts"),
      tags: stays("tags"),
    };
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
    const [before, sent] = [withUsual(view.value), JSON.parse(JSON.stringify(form.value)) as Texts];
    const body = { was: view.value.texts, texts: sent };
    const { data, error } = await ask(api.PUT("/api/products/{handle}/texts", { ...path.value, body }));
    // Where nothing is written here, somebody else's is taken over; the rest takes its place once it is kept again.
    if (error?.code === "overtaken") {
      const { data: theirs } = await ask(api.GET("/api/products/{handle}/texts", path.value));
      if (theirs) follow(theirs, before);
    }
    // Told once it is as it is now: what is kept next is kept upon that.
    busy.value = false;
    problem.value = error ?? null;
    if (!data) return false;
    follow(data, sent);
    kept.value += 1;
    return true;
  }
  function leaveIt(): void {
    problem.value = null;
    if (view.value) take(view.value);
  }

  return { view, form, problem, busy, kept, changed, load, keep, leaveIt };
}
