import { computed, onBeforeUnmount, ref, shallowRef, watch } from "vue";
import { type Answer, type ApiError, type Schemas, api, ask, offline } from "../api/client";
import { useUndoKeys } from "../ui/useUndoKeys";
import { useOutbox } from "./useOutbox";
import type { Call, Turn } from "./useSteps";
import { say } from "../words";

export type JournalStep = Schemas["JournalStep"];
export type JournalOf = { product?: string; view?: "texts" | "variants" | "pictures" | "book" | "shelf" };

/** So long it is told what was taken back. */
const TOLD_MS = 8000;

/**
 * What was done to something, and the way back. `changed` is what changes when the view was read, and when something was
 * done; `step` takes a step of the journal and reads the view anew.
 */
export function useJournal(
  of: () => JournalOf,
  changed: () => unknown,
  take: (call: Call<unknown>, turn: Turn) => Promise<boolean>,
) {
  const journal = shallowRef<Schemas["JournalView"] | null>(null);
  const told = ref("");
  let asked = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  function tell(text: string): void {
    told.value = text;
    clearTimeout(timer);
    timer = setTimeout(() => (told.value = ""), TOLD_MS);
  }
  onBeforeUnmount(() => clearTimeout(timer));

  async function load(): Promise<void> {
    const mine = (asked += 1);
    const { data, error } = await ask(api.GET("/api/journal", { params: { query: of() } }));
    if (mine !== asked) return;
    if (data) journal.value = data;
    // Without a connection the foot says as much.
    else if (error && error.code !== offline.code) tell(error.message);
  }
  watch(changed, () => void load());

  async function step(what: "undo" | "redo"): Promise<void> {
    const query = of();
    let done = "";
    await take(async (send) => {
      const { data, error } = await ask(api.POST(`/api/journal/${what}`, { params: { query }, ...send }));
      if (data) done = `${what === "undo" ? say("journal-taken-back") : say("journal-made-again")}: ${data.told}`;
      return error ? { error } : { data: true };
    }, what);
    await load();
    // Told once the way back from it is known, so that who reads it can go it at once.
    if (done) tell(done);
  }
  const outbox = useOutbox();
  /** What waits can be taken back before it is known what it came to. */
  const canUndo = computed(() => !!journal.value?.undo || outbox.waiting > 0);
  const undo = async () => (canUndo.value ? step("undo") : undefined);
  const redo = async () => (journal.value?.redo ? step("redo") : undefined);
  useUndoKeys({ undo: () => void undo(), redo: () => void redo() });
  return { journal, told, canUndo, load, undo, redo };
}
export type JournalControl = ReturnType<typeof useJournal>;

/** All of a product's history, with the ways back. */
export function useHistory(of: () => JournalOf) {
  const steps = shallowRef<JournalStep[] | null>(null);
  const problem = ref<ApiError | null>(null);
  async function load(): Promise<void> {
    const { data, error } = await ask(api.GET("/api/journal", { params: { query: of() } }));
    problem.value = error ?? null;
    if (data) steps.value = data.steps;
  }
  async function tell(call: Promise<Answer<unknown>>): Promise<boolean> {
    const { error } = await call;
    await load();
    problem.value = error ?? null;
    return error === undefined;
  }
  const undoStep = (id: number) => tell(ask(api.POST("/api/journal/{id}/undo", { params: { path: { id } } })));
  const bringBack = (id: number) =>
    tell(ask(api.POST("/api/journal/{id}/back", { params: { path: { id }, query: of() } })));
  return { steps, problem, load, undoStep, bringBack };
}
