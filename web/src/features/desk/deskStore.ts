import { defineStore } from "pinia";
import { computed, ref, shallowRef } from "vue";
import { type Answer, type ApiError, type Schemas, api, ask } from "../../api/client";
import { lines, sharing } from "./order";
import type { Draft, Level, Look, Op, Target } from "./types";

/** What is saved sooner isn't told of while it is being saved. */
const SOON_MS = 300;

/** Lets the proofs show what was sent to them before the desk itself is drawn anew: they hear of it before the
 * second frame. A window that lies behind others
 * draws no frames: it doesn't wait for one. */
function afterPainting(): Promise<void> {
  return new Promise((go) => {
    requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(go)));
    setTimeout(go, 100);
  });
}

/** An edit that somebody else's came before. */
export interface Clash {
  message: string;
  op: Op;
}

/** The template on the desk: its draft, what is chosen, and every step that is taken on it, one after another. */
export const useDesk = defineStore("desk", () => {
  const view = shallowRef<Schemas["DeskView"] | null>(null);
  const draft = shallowRef<Draft | null>(null);
  const chosen = ref<Target | null>(null);
  /** For whom a value is set that is set now. */
  const scope = ref<Level>("template");
  /** Pieces chosen together with the chosen one. */
  const also = ref<string[]>([]);
  /** The situation in which the page is wanted with every answer, and the page that came with the last one. */
  const look = shallowRef<Look | null>(null);
  const fresh = shallowRef<{ html: string; look: Look; revision: number } | null>(null);
  const clash = shallowRef<Clash | null>(null);
  const others = shallowRef<Schemas["OtherView"][]>([]);
  /** Whether the last publication was made here a moment ago, so that it can be taken back at once. */
  const published = ref(false);
  /** Something worth knowing that needs nothing done. */
  const notice = ref<string | null>(null);
  const problem = ref<ApiError | null>(null);
  const waiting = ref(0);
  /** Whether a step has been waited for long enough to tell. */
  const saving = ref(false);
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
    draft.value = sharing(draft.value, data.draft);
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
    scope.value = "template";
    problem.value = null;
    savedAt.value = null;
    failed = null;
    also.value = [];
    fresh.value = null;
    clash.value = null;
    others.value = [];
    notice.value = null;
    published.value = false;
  }

  /** Takes steps in turn, each on the revision that the one before it made. */
  function take(step: () => Promise<Answer<Draft>>, op: Op | null = null): Promise<void> {
    waiting.value += 1;
    const slow = setTimeout(() => (saving.value = true), SOON_MS);
    queue = queue.then(async () => {
      const asked = look.value;
      try {
        await answered(await step(), asked, step, op);
      } finally {
        waiting.value -= 1;
        clearTimeout(slow);
        if (waiting.value === 0) saving.value = false;
      }
    });
    return queue;
  }

  async function answered(
    { data, error }: Answer<Draft>,
    asked: Look | null,
    step: () => Promise<Answer<Draft>>,
    op: Op | null,
  ): Promise<void> {
    if (error) return meet(error, step, op);
    if (!data) return;
    if (data.proof && asked && asked === look.value) {
      const { proof: html } = data;
      pageListeners.forEach((hear) => hear(html));
      await afterPainting();
      fresh.value = { html, look: asked, revision: data.revision };
    }
    draft.value = sharing(draft.value, data);
    savedAt.value = new Date();
    problem.value = null;
    failed = null;
  }

  async function meet(error: ApiError, step: () => Promise<Answer<Draft>>, op: Op | null): Promise<void> {
    const id = view.value?.id;
    failed = error.code === "offline" ? step : null;
    if (error.code === "clash" && op && id) {
      await open(id);
      clash.value = { message: error.message, op };
    } else if ((error.code === "revision_mismatch" || error.code === "clash") && id) await reload(id, error);
    else problem.value = error;
  }

  /** Proofs that are open, each told of a new page as soon as it is here. */
  const pageListeners = new Set<(html: string) => void>();
  const onPage = (hear: (html: string) => void) => void pageListeners.add(hear);
  const offPage = (hear: (html: string) => void) => void pageListeners.delete(hear);

  /** Somebody else's edits, where none of one's own is under way. */
  function takeOver(newer: Draft): void {
    if (waiting.value === 0 && newer.revision > revision()) draft.value = sharing(draft.value, newer);
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
  const step = () => ({ revision: revision(), look: look.value });
  const edit = (op: Op) =>
    take(() => ask(api.POST("/api/templates/{id}/operations", { params: path.value, body: { ...step(), op } })), op);
  const undo = () => take(() => ask(api.POST("/api/templates/{id}/undo", { params: path.value, body: step() })));
  const redo = () => take(() => ask(api.POST("/api/templates/{id}/redo", { params: path.value, body: step() })));
  const publish = (name: string) =>
    take(() =>
      ask(api.POST("/api/templates/{id}/publish", { params: path.value, body: { revision: revision(), name } })),
    );
  const takeBack = () => {
    published.value = false;
    return take(() => ask(api.POST("/api/templates/{id}/take-back", { params: path.value })));
  };
  async function unplan(): Promise<void> {
    const { error } = await ask(api.DELETE("/api/templates/{id}/planned", { params: path.value }));
    problem.value = error ?? null;
    if (!error && view.value) view.value = { ...view.value, planned: null };
  }
  const keepBand = (band: string, name: string) =>
    take(() =>
      ask(
        api.POST("/api/templates/{id}/kept-bands", { params: path.value, body: { revision: revision(), band, name } }),
      ),
    );
  const placeBand = (kept: number, index: number, copy: string | null) =>
    take(() => {
      const params = { path: { ...path.value.path, kept } };
      const body = { revision: revision(), index, ...(copy ? { copy } : {}) };
      return ask(api.POST("/api/templates/{id}/kept-bands/{kept}", { params, body }));
    });
  const unlinkBand = (band: string, prefix: string) =>
    take(() =>
      ask(
        api.POST("/api/templates/{id}/unlink-band", {
          params: path.value,
          body: { revision: revision(), band, prefix },
        }),
      ),
    );
  const bringBack = (moment: string) =>
    take(() =>
      ask(api.POST("/api/templates/{id}/bring-back", { params: path.value, body: { revision: revision(), moment } })),
    );
  /** Lays the page by a starter and tells what had no place. */
  const begin = (starter: string) =>
    take(async () => {
      const body = { revision: revision(), starter };
      const { data, error } = await ask(api.POST("/api/templates/{id}/starter", { params: path.value, body }));
      if (!data) return { error };
      const kinds = new Map(
        data.draft.layout.bands
          .flatMap((b) => b.columns)
          .flatMap((c) => c.pieces)
          .map((p) => [p.id, p.kind]),
      );
      const names = data.left_over.map((id) => labels.value.get(kinds.get(id) ?? "text") ?? id);
      notice.value = names.length
        ? `This arrangement has no place for ${names.join(", ")}. ${names.length === 1 ? "It stands" : "They stand"} at the end.`
        : null;
      chosen.value = null;
      return { data: data.draft };
    });

  return {
    view,
    draft,
    chosen,
    scope,
    problem,
    waiting,
    saving,
    savedAt,
    order,
    labels,
    open,
    edit,
    undo,
    redo,
    publish,
    published,
    takeBack,
    keepBand,
    placeBand,
    unlinkBand,
    unplan,
    begin,
    bringBack,
    takeOver,
    onPage,
    offPage,
    also,
    look,
    fresh,
    clash,
    others,
    notice,
    retry,
    $reset,
  };
});
