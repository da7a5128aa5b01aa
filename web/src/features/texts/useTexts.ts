import { computed, ref } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import { useDraftForm } from "../../session/useDraftField";
import { useSteps } from "../../session/useSteps";
import { say } from "../../words";

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

const EMPTY: View = {
  texts: { name: "", brand: "", summary: "", details: [], facts: [], tags: [] },
  usual: { details: [], facts: [], tags: [] },
};

/** The texts and facts of a product: as they are kept, and as they are being written. */
export function useTexts(handle: () => string) {
  /** How often they were kept from here: shoppers see another page each time. */
  const kept = ref(0);
  const params = () => ({ path: { handle: handle() } });
  const steps = useSteps<View>(
    () => ({ thing: `texts/${handle()}`, called: say("texts-texts-facts") }),
    () => ask(api.GET("/api/products/{handle}/texts", { params: params() })),
  );
  const { view, overtaken, pending, load, stepThenRead } = steps;
  const draft = useDraftForm(
    () => `${handle()} ${view.value === null}`,
    () => withUsual(view.value ?? EMPTY),
  );
  const { form, changed, met, takeTheirs, reset } = draft;
  const problem = computed(() => steps.problem.value ?? overtaken.value?.told ?? null);

  /** Whether they were taken. What somebody else changed meanwhile is told; keeping them again is upon that. */
  async function keep(): Promise<boolean> {
    if (!view.value) return false;
    overtaken.value?.theirs();
    const where = params();
    const taken = await draft.keep((texts) => {
      const body = { was: view.value?.texts ?? texts, texts };
      return steps.step((send) => ask(api.PUT("/api/products/{handle}/texts", { params: where, body, ...send })), {
        shows: (now) => ({ ...now, texts }),
      });
    });
    if (taken) kept.value += 1;
    return taken;
  }
  function leaveIt(): void {
    steps.problem.value = null;
    overtaken.value?.theirs();
    reset();
  }

  return {
    view,
    form,
    problem,
    pending,
    kept,
    changed,
    met,
    takeTheirs,
    load,
    keep,
    leaveIt,
    stepThenRead,
  };
}
