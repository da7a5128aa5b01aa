import { computed, ref, shallowRef, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import { draftCalls, thenRead } from "../../session/useDraft";

type View = Schemas["WordingView"];
export type Word = Schemas["WordView"];

/** The words of the shop or of one template in one language; steps are taken one after another. */
export function useWording() {
  const language = ref<Schemas["Language"]>("en");
  const template = ref<number | null>(null);
  const view = shallowRef<View | null>(null);
  const templates = shallowRef<Schemas["TemplateView"][]>([]);
  const problem = ref<ApiError | null>(null);
  const waiting = ref(0);
  let queue: Promise<void> = Promise.resolve();
  const scope = computed(() => ({ language: language.value, template: template.value }));

  function read() {
    const { language: tongue, template: of } = scope.value;
    const query = { language: tongue, ...(of === null ? {} : { template: of }) };
    return ask(api.GET("/api/wording", { params: { query } }));
  }
  async function load(): Promise<void> {
    const wanted = scope.value;
    const { data, error } = await read();
    if (wanted !== scope.value) return;
    if (data) view.value = data;
    problem.value = error ?? null;
  }
  watch(scope, load, { immediate: true });

  async function loadTemplates(): Promise<void> {
    const { data } = await ask(api.GET("/api/templates"));
    if (data) templates.value = data.templates;
  }
  void loadTemplates();

  function take(call: () => Promise<{ data?: View | undefined; error?: ApiError | undefined }>): Promise<void> {
    waiting.value += 1;
    queue = queue.then(async () => {
      const { data, error } = await call();
      waiting.value -= 1;
      problem.value = error ?? null;
      if (data) view.value = data;
      if (error?.code === "revision_mismatch") {
        await load();
        problem.value = error;
      }
    });
    return queue;
  }

  const step = () => ({ revision: view.value?.revision ?? 0, ...scope.value });
  const set = (key: string, text: string | null) =>
    take(() => ask(api.PUT("/api/wording", { body: { ...step(), key, text } })));
  const calls = draftCalls("wording");
  const revision = (): number => view.value?.revision ?? 0;
  const undo = () => take(() => thenRead(calls.undo(revision()), read));
  const redo = () => take(() => thenRead(calls.redo(revision()), read));
  const publish = () => take(() => thenRead(calls.publish(revision()), read));

  return { language, template, view, templates, problem, waiting, load, set, undo, redo, publish };
}
