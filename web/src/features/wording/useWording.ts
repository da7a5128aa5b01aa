import { computed, ref, shallowRef, watch } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import { draftCalls } from "../../session/useDraft";
import { useSteps } from "../../session/useSteps";
import { say } from "../../words";

type View = Schemas["WordingView"];
export type Word = Schemas["WordView"];

/** The words of the shop or of one template in one language. */
export function useWording() {
  const language = ref<Schemas["Language"]>("en");
  const template = ref<number | null>(null);
  const templates = shallowRef<Schemas["TemplateView"][]>([]);
  const scope = computed(() => ({ language: language.value, template: template.value }));

  function read() {
    const { language: tongue, template: of } = scope.value;
    const query = { language: tongue, ...(of === null ? {} : { template: of }) };
    return ask(api.GET("/api/wording", { params: { query } }));
  }
  const steps = useSteps<View>(
    () => ({ thing: `wording/${language.value}/${template.value ?? ""}`, called: say("wording-wording") }),
    read,
  );
  const { view, problem, overtaken, pending, load, step, stepThenRead, after } = steps;
  watch(scope, () => void load(), { immediate: true });

  async function loadTemplates(): Promise<void> {
    const { data, error } = await ask(api.GET("/api/templates"));
    if (data) templates.value = data.templates;
    else problem.value = error ?? null;
  }
  void loadTemplates();

  function set(key: string, text: string | null): Promise<boolean> {
    const where = scope.value;
    const shown = (now: View): View => ({
      ...now,
      can_undo: true,
      words: now.words.map((word) =>
        word.key === key ? { ...word, text: text ?? word.under, own: text !== null } : word,
      ),
    });
    const body = () => ({ revision: revision(), ...where, key, text });
    return step((send) => ask(api.PUT("/api/wording", { body: body(), ...send })), { shows: shown });
  }
  const calls = draftCalls("wording");
  const revision = (): number => view.value?.revision ?? 0;
  const undo = () => stepThenRead((send) => calls.undo(revision(), send), "undo");
  const redo = () => stepThenRead((send) => calls.redo(revision(), send), "redo");
  const publish = () => after(() => calls.publish(revision()));

  return {
    language,
    template,
    view,
    templates,
    problem,
    overtaken,
    pending,
    load,
    loadTemplates,
    set,
    undo,
    redo,
    publish,
  };
}
