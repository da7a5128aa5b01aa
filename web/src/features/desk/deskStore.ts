import { defineStore } from "pinia";
import { computed, ref, shallowRef } from "vue";
import { type Answer, type ApiError, type Schemas, api, ask } from "../../api/client";
import { lines } from "./order";
import type { Draft, Op, Target } from "./types";

/** The template on the desk: its draft, what is chosen, and every step that is taken on it, one after another. */
export const useDesk = defineStore("desk", () => {
  const view = shallowRef<Schemas["DeskView"] | null>(null);
  const draft = shallowRef<Draft | null>(null);
  const chosen = ref<Target | null>(null);
  const problem = ref<ApiError | null>(null);
  const waiting = ref(0);
  const savedAt = ref<Date | null>(null);
  let queue: Promise<void> = Promise.resolve();
  let failed: (() => Promise<Answer<Draft>>) | null = null;

  const order = computed(() => (draft.value ? lines(draft.value.layout) : []));
  const labels = computed(() => new Map(view.value?.kinds.map((k) => [k.kind, k.label]) ?? []));
  const path = computed(() => ({ path: { id: view.value?.id ?? 0 } }));

  async function open(id: number): Promise<void> {
    if (view.value?.id !== id) $reset();
    const { data, error } = await ask(api.GET("/api/templates/{id}/desk", { params: { path: { id } } }));
    problem.value = error ?? null;
    if (!data) return;
    view.value = data;
    draft.value = data.draft;
    if (!chosen.value) chosen.value = firstToChoose();
  }

  function firstToChoose(): Target | null {
    const line = order.value.find((l) => l.piece.kind === "price") ?? order.value[0];
    return line ? { piece: line.piece.id } : null;
  }

  function $reset(): void {
    view.value = null;
    draft.value = null;
    chosen.value = null;
    problem.value = null;
    savedAt.value = null;
    failed = null;
  }

  /** Takes steps in turn, each on the revision that the one before it made. */
  function take(step: () => Promise<Answer<Draft>>): Promise<void> {
    waiting.value += 1;
    queue = queue.then(async () => {
      const { data, error } = await step();
      waiting.value -= 1;
      if (data) {
        draft.value = data;
        savedAt.value = new Date();
        problem.value = null;
        failed = null;
      } else if (error) {
        problem.value = error;
        failed = error.code === "offline" ? step : null;
        if (error.code === "revision_mismatch" && view.value) await reload(view.value.id, error);
      }
    });
    return queue;
  }

  async function reload(id: number, why: ApiError): Promise<void> {
    await open(id);
    problem.value = why;
  }

  /** Makes again the step that the server didn't answer, or just looks whether the server is back. */
  async function retry(): Promise<void> {
    if (failed) return take(failed);
    problem.value = null;
    if (view.value) await open(view.value.id);
  }

  const revision = (): number => draft.value?.revision ?? 0;
  const edit = (op: Op) =>
    take(() =>
      ask(api.POST("/api/templates/{id}/operations", { params: path.value, body: { revision: revision(), op } })),
    );
  const undo = () =>
    take(() => ask(api.POST("/api/templates/{id}/undo", { params: path.value, body: { revision: revision() } })));
  const redo = () =>
    take(() => ask(api.POST("/api/templates/{id}/redo", { params: path.value, body: { revision: revision() } })));
  const publish = () =>
    take(() => ask(api.POST("/api/templates/{id}/publish", { params: path.value, body: { revision: revision() } })));

  return {
    view,
    draft,
    chosen,
    problem,
    waiting,
    savedAt,
    order,
    labels,
    open,
    edit,
    undo,
    redo,
    publish,
    retry,
    $reset,
  };
});
