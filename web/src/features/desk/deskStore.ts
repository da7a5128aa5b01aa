import { defineStore } from "pinia";
import { computed, ref, shallowRef } from "vue";
import { type Answer, type ApiError, type Schemas, api, ask } from "../../api/client";
import { draftCalls, thenRead } from "../../session/useDraft";
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

/** On what a step is made: its template, the revision, and the situation in which the page is wanted with the answer. */
interface At {
  path: { id: number };
  revision: number;
  look: Look | null;
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
  let failed: ((at: At) => Promise<Answer<Draft>>) | null = null;

  const order = computed(() => (draft.value ? lines(draft.value.layout) : []));
  const labels = computed(() => new Map(view.value?.kinds.map((k) => [k.kind, k.label]) ?? []));
  const here = (): number => view.value?.id ?? 0;
  /** The revision of each template that the last answer about it told. */
  const revisions = new Map<number, number>();

  async function open(id: number): Promise<void> {
    if (view.value?.id !== id) $reset();
    const { data, error } = await ask(api.GET("/api/templates/{id}/desk", { params: { path: { id } } }));
    problem.value = error ?? null;
    if (!data) return;
    view.value = data;
    draft.value = sharing(draft.value, data.draft);
    revisions.set(id, data.draft.revision);
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

  /** Takes steps in turn, each on the revision that the one before it made. A step belongs to the template on which it
   * was made, whichever is on the desk when its turn comes. */
  function take(make: (at: At) => Promise<Answer<Draft>>, op: Op | null = null): Promise<void> {
    const id = here();
    waiting.value += 1;
    const slow = setTimeout(() => (saving.value = true), SOON_MS);
    queue = queue.then(async () => {
      const asked = look.value;
      try {
        const at = { path: { id }, revision: revisions.get(id) ?? 0, look: id === here() ? asked : null };
        await answered(id, await make(at), asked, make, op);
      } finally {
        waiting.value -= 1;
        clearTimeout(slow);
        if (waiting.value === 0) saving.value = false;
      }
    });
    return queue;
  }

  async function answered(
    id: number,
    { data, error }: Answer<Draft>,
    asked: Look | null,
    make: (at: At) => Promise<Answer<Draft>>,
    op: Op | null,
  ): Promise<void> {
    if (error) return meet(id, error, make, op);
    if (!data) return;
    revisions.set(id, data.revision);
    // The answer about a template that is no longer on the desk.
    if (id !== here()) return;
    if (data.proof && asked && asked === look.value) {
      const { proof: html } = data;
      pageListeners.forEach((hear) => hear(html));
      await afterPainting();
      fresh.value = { html, look: asked, revision: data.revision };
    }
    if (id !== here()) return;
    draft.value = sharing(draft.value, data);
    savedAt.value = new Date();
    problem.value = null;
    failed = null;
  }

  async function meet(
    id: number,
    error: ApiError,
    make: (at: At) => Promise<Answer<Draft>>,
    op: Op | null,
  ): Promise<void> {
    if (id !== here()) {
      const message = `A step on another template was not kept. ${error.message}`;
      problem.value = { ...error, message };
      return;
    }
    // Taken though its answer was lost.
    if (error.code === "taken_before") return open(id);
    failed = error.code === "offline" ? make : null;
    if (error.code === "clash" && op) {
      await open(id);
      clash.value = { message: error.message, op };
    } else if (error.code === "revision_mismatch" || error.code === "clash") await reload(id, error);
    else problem.value = error;
  }

  /** Proofs that are open, each told of a new page as soon as it is here. */
  const pageListeners = new Set<(html: string) => void>();
  const onPage = (hear: (html: string) => void) => void pageListeners.add(hear);
  const offPage = (hear: (html: string) => void) => void pageListeners.delete(hear);

  /** Somebody else's edits, where none of one's own is under way. */
  function takeOver(newer: Draft): void {
    if (waiting.value > 0 || newer.revision <= (draft.value?.revision ?? 0)) return;
    revisions.set(here(), newer.revision);
    draft.value = sharing(draft.value, newer);
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

  const edit = (op: Op) =>
    take(
      ({ path, ...made }) =>
        ask(api.POST("/api/templates/{id}/operations", { params: { path }, body: { ...made, op } })),
      op,
    );
  const undo = () =>
    take(({ path, ...made }) => ask(api.POST("/api/templates/{id}/undo", { params: { path }, body: made })));
  const redo = () =>
    take(({ path, ...made }) => ask(api.POST("/api/templates/{id}/redo", { params: { path }, body: made })));
  const draftOf = (id: number) => draftCalls(`template-${id}`);
  async function draftNow(id: number): Promise<Answer<Draft>> {
    const { data, error } = await ask(api.GET("/api/templates/{id}/desk", { params: { path: { id } } }));
    return data ? { data: data.draft } : { error };
  }
  const publish = (name: string) =>
    take(({ path, revision }) => thenRead(draftOf(path.id).publish(revision, name), () => draftNow(path.id)));
  const takeBack = () => {
    published.value = false;
    return take(({ path }) => thenRead(draftOf(path.id).takeBack(), () => draftNow(path.id)));
  };
  async function unplan(): Promise<void> {
    const id = here();
    const { error } = await draftOf(id).unplan();
    if (id !== here()) return;
    problem.value = error ?? null;
    if (!error && view.value) view.value = { ...view.value, planned: null };
  }
  const keepBand = (band: string, name: string) =>
    take(({ path, revision }) =>
      ask(api.POST("/api/templates/{id}/kept-bands", { params: { path }, body: { revision, band, name } })),
    );
  const placeBand = (kept: number, index: number, copy: string | null) =>
    take(({ path, revision }) => {
      const body = { revision, index, ...(copy ? { copy } : {}) };
      return ask(api.POST("/api/templates/{id}/kept-bands/{kept}", { params: { path: { ...path, kept } }, body }));
    });
  const unlinkBand = (band: string, prefix: string) =>
    take(({ path, revision }) =>
      ask(api.POST("/api/templates/{id}/unlink-band", { params: { path }, body: { revision, band, prefix } })),
    );
  const bringBack = (moment: string) =>
    take(({ path, revision }) =>
      ask(api.POST("/api/templates/{id}/bring-back", { params: { path }, body: { revision, moment } })),
    );
  /** Lays the page by a starter and tells what had no place. */
  const begin = (starter: string) =>
    take(async ({ path, revision }) => {
      const { data, error } = await ask(
        api.POST("/api/templates/{id}/starter", { params: { path }, body: { revision, starter } }),
      );
      if (!data) return { error };
      if (path.id === here()) tellLeftOver(data.draft, data.left_over);
      return { data: data.draft };
    });

  function tellLeftOver(laid: Draft, leftOver: string[]): void {
    const pieces = laid.layout.bands.flatMap((b) => b.columns).flatMap((c) => c.pieces);
    const kinds = new Map(pieces.map((p) => [p.id, p.kind]));
    const names = leftOver.map((id) => labels.value.get(kinds.get(id) ?? "text") ?? id);
    notice.value = names.length
      ? `This arrangement has no place for ${names.join(", ")}. ${names.length === 1 ? "It stands" : "They stand"} at the end.`
      : null;
    chosen.value = null;
  }

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
