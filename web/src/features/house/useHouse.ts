import { computed, onMounted, ref, shallowRef } from "vue";
import { type ApiError, type Schemas, api, ask, proofHtml } from "../../api/client";
import { draftCalls, thenRead } from "../../session/useDraft";

export type Token = Schemas["TokenView"];
type View = Schemas["HouseView"];

/** The house style's draft and its living sample; steps are taken one after another. */
export function useHouse() {
  const view = shallowRef<View | null>(null);
  const sample = shallowRef<string | null>(null);
  const problem = ref<ApiError | null>(null);
  const waiting = ref(0);
  let queue: Promise<void> = Promise.resolve();

  function take(call: () => Promise<{ data?: View | undefined; error?: ApiError | undefined }>): Promise<void> {
    waiting.value += 1;
    queue = queue.then(async () => {
      const { data, error } = await call();
      waiting.value -= 1;
      problem.value = error ?? null;
      if (data) view.value = data;
      if (error?.code === "revision_mismatch") await load();
      if (data) await draw();
    });
    return queue;
  }

  async function load(): Promise<void> {
    const { data, error } = await ask(api.GET("/api/house"));
    if (data) view.value = data;
    else problem.value = error ?? null;
    await draw();
  }

  async function draw(): Promise<void> {
    const { data } = await proofHtml("/api/house/sample");
    if (data !== undefined) sample.value = data;
  }

  const revision = (): number => view.value?.revision ?? 0;
  const set = (key: string, value: Schemas["SetValue"] | null) =>
    take(() => ask(api.PUT("/api/house", { body: { revision: revision(), key, value } })));
  const calls = draftCalls("house");
  const read = () => ask(api.GET("/api/house"));
  const undo = () => take(() => thenRead(calls.undo(revision()), read));
  const redo = () => take(() => thenRead(calls.redo(revision()), read));
  const publish = () => take(() => thenRead(calls.publish(revision()), read));
  const weak = computed(() => view.value?.contrasts.filter((pair) => !pair.holds) ?? []);

  onMounted(load);
  return { view, sample, problem, waiting, weak, load, set, undo, redo, publish };
}
