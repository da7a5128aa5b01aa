import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import { type Answer, type Schemas, api, ask } from "../../api/client";
import { draftCalls } from "../../session/useDraft";
import { type Send, type Shows, type Turn, useSteps } from "../../session/useSteps";
import { withOp } from "./asMade";
import { lines, sharing } from "./order";
import { Pages } from "./pages";
import type { Device, Draft, Level, Look, Op, Target } from "./types";
import { say } from "../../words";

/** Lets the proofs show what was sent to them before the desk itself is drawn anew: they hear of it before the
 * second frame. A window that lies behind others
 * draws no frames: it doesn't wait for one. */
function afterPainting(): Promise<void> {
  return new Promise((go) => {
    requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(go)));
    setTimeout(go, 100);
  });
}

/** So long an answer is waited for before a step is drawn without it. */
const DRAWN_MS = 60;

/** An edit that somebody else's came before; its maker chooses. */
export interface Clash {
  message: string;
  op: Op | null;
  mine: () => unknown;
  theirs: () => unknown;
}

/** The template on the desk: its draft, what is chosen, and every step that is taken on it, one after another. */
export const useDesk = defineStore("desk", () => {
  const view = shallowRef<Schemas["DeskView"] | null>(null);
  const chosen = ref<Target | null>(null);
  /** For whom a value is set that is set now. */
  const scope = ref<Level>("template");
  /** Pieces chosen together with the chosen one. */
  const also = ref<string[]>([]);
  /** The situation in which the page is wanted with every answer, and the page that came with the last one. */
  const look = shallowRef<Look | null>(null);
  const fresh = shallowRef<{ html: string; look: Look; revision: number } | null>(null);
  /** What is said of where pieces are seen, in the situation that is looked at. */
  const onScreens = shallowRef<Schemas["OnScreen"][]>([]);
  const others = shallowRef<Schemas["PresentView"][]>([]);
  /** Whether the last publication was made here a moment ago, so that it can be taken back at once. */
  const published = ref(false);
  /** Something worth knowing that needs nothing done. */
  const notice = ref<string | null>(null);
  /** The one screen that is shown alone, and the proof in which was pointed last at something. */
  const alone = ref<Device | null>(null);
  const pointed = ref<Device | null>(null);
  /** The screen that what is moved is moved on: wide for all of them. */
  const inHand = computed<Device>(() => alone.value ?? pointed.value ?? "wide");
  /** Where stands what was moved last, for whoever doesn't see it. */
  const moved = ref("");
  /** The product that lies on the desk. */
  const product = shallowRef<Schemas["DeskProduct"] | null>(null);
  /** The same before the desk is read. */
  let opening: string | undefined;
  /** The template that is on the desk, or is on its way there. */
  const here = ref(0);

  const steps = useSteps<Draft>(
    () => ({ thing: `template-${here.value}`, called: view.value?.name ?? say("desk-store-desk") }),
    read,
    undefined,
    readDraft,
    true,
  );
  const { problem, overtaken, pending: waiting, put, after } = steps;
  /** The draft as the server has it. */
  const known = steps.server;
  /** The same, as it is with the steps that wait. */
  const draft = shallowRef<Draft | null>(null);
  watch(steps.view, (now) => (draft.value = now && sharing(draft.value, now)), { flush: "sync" });
  /** The same as the desk around the proofs draws it, with the steps that wait for their answers and what is said of the
   * last one: a step is drawn before its answer only where that doesn't come at once, since drawing it would hold up
   * the answer and the proofs. */
  const drawn = shallowRef<{ draft: Draft; asked: Op[]; moved: string } | null>(null);
  let late: ReturnType<typeof setTimeout> | undefined;
  function draw(): void {
    clearTimeout(late);
    late = undefined;
    const asked = steps.abouts.value.filter((about) => about !== undefined) as Op[];
    drawn.value = draft.value && { draft: draft.value, asked, moved: moved.value };
  }
  watch(
    draft,
    (now) => {
      if (waiting.value === 0 || now === null || drawn.value === null) draw();
      else late ??= setTimeout(draw, DRAWN_MS);
    },
    { flush: "sync" },
  );
  const clash = computed((): Clash | null => {
    const one = overtaken.value;
    return one && { message: one.told.message, op: (one.about as Op | undefined) ?? null, ...one };
  });

  const order = computed(() => (draft.value ? lines(draft.value.layout) : []));
  const drawnDraft = computed(() => drawn.value?.draft ?? null);
  const drawnOrder = computed(() => (drawn.value ? lines(drawn.value.draft.layout) : []));
  /** Whether a card is composed, and no page: it is one column, and its proofs are a listing. */
  const onCard = computed(() => view.value?.purpose === "card");
  const labels = computed(() => new Map(view.value?.kinds.map((k) => [k.kind, k.label]) ?? []));

  /** What an owner calls a band; one that waits to be taken has no name yet. */
  const bandName = (band: string): string => draft.value?.bands[band] ?? say("desk-store-new-band");

  async function read(): Promise<Answer<Draft>> {
    const id = here.value;
    const query = { product: product.value?.handle ?? opening };
    const { data, error } = await ask(api.GET("/api/templates/{id}/desk", { params: { path: { id }, query } }));
    if (!data) return { error };
    if (id === here.value) view.value = data;
    return { data: data.draft };
  }
  /** The draft alone, with its page. */
  function readDraft(): Promise<Answer<Draft>> {
    const { path, look: query } = made();
    if (!query) return read();
    const asked = look.value;
    return hear(ask(api.GET("/api/templates/{id}/draft", { params: { path, query } })), asked, path.id);
  }
  async function open(id: number, first?: string): Promise<void> {
    if (here.value !== id) $reset();
    [here.value, opening] = [id, first];
    if ((await steps.load()) && !chosen.value && id === here.value) chosen.value = firstToChoose();
  }

  function firstToChoose(): Target | null {
    const line = order.value.find((l) => l.piece.kind === "price") ?? order.value[0];
    return line ? { piece: line.piece.id } : null;
  }

  function $reset(): void {
    here.value = 0;
    view.value = null;
    product.value = null;
    put(null);
    chosen.value = null;
    scope.value = "template";
    problem.value = null;
    also.value = [];
    fresh.value = null;
    others.value = [];
    onScreens.value = [];
    notice.value = null;
    moved.value = "";
    published.value = false;
    pointed.value = null;
  }

  const pages = new Pages();
  /** On what a step is made: its template, the revision that is known, the situation in which the page is wanted, and
   * the page that is here. */
  function made() {
    const wanted = look.value && { ...look.value, has: pages.newest };
    return { path: { id: here.value }, revision: known.value?.revision ?? 0, look: wanted };
  }

  /** Lets the proofs show a page that came with an answer, before the desk itself is drawn anew. */
  async function hear(answer: Promise<Answer<Draft>>, asked: Look | null, id: number): Promise<Answer<Draft>> {
    const came = await answer;
    const { data } = came;
    const html = data?.proof ? pages.take(data.proof) : null;
    if (data && html !== null && asked && asked === look.value && id === here.value) {
      pageListeners.forEach((listener) => listener(html));
      await afterPainting();
      onScreens.value = data.on_screens ?? onScreens.value;
      fresh.value = { html, look: asked, revision: data.revision };
    }
    return came;
  }
  /** Takes a step; what it changes is shown meanwhile as far as it can be told. */
  function take(
    call: (at: ReturnType<typeof made>, send: Send) => Promise<Answer<Draft>>,
    shows?: Shows<Draft> | Turn,
    about?: Op,
  ) {
    const [{ path }, asked] = [made(), look.value];
    const again = (send: Send) => hear(call({ ...made(), path }, send), asked, path.id);
    const slot = about?.op === "set" ? JSON.stringify([about.target, about.setting, about.device]) : undefined;
    return steps.step(again, { shows, about, slot });
  }

  /** Proofs that are open, each told of a new page as soon as it is here. */
  const pageListeners = new Set<(html: string) => void>();
  const onPage = (listener: (html: string) => void) => void pageListeners.add(listener);
  const offPage = (listener: (html: string) => void) => void pageListeners.delete(listener);

  const edit = (op: Op) =>
    take(
      ({ path, ...at }, send) =>
        ask(api.POST("/api/templates/{id}/operations", { params: { path }, body: { ...at, op }, ...send })),
      (now) => ({ ...now, layout: withOp(now.layout, op), can_undo: true }),
      op,
    );
  const undo = () =>
    take(
      ({ path, ...at }, send) => ask(api.POST("/api/templates/{id}/undo", { params: { path }, body: at, ...send })),
      "undo",
    );
  const redo = () =>
    take(
      ({ path, ...at }, send) => ask(api.POST("/api/templates/{id}/redo", { params: { path }, body: at, ...send })),
      "redo",
    );
  const calls = () => draftCalls(`template-${here.value}`);
  /** Does something with the template that is on the desk now, once all steps on it are kept; nothing with another one. */
  function act(what: (draft: ReturnType<typeof draftCalls>) => Promise<Answer<unknown>>): Promise<boolean> {
    const [id, draft] = [here.value, calls()];
    const message = say("desk-store-another-template-was-opened");
    return after(() => (id === here.value ? what(draft) : Promise.resolve({ error: { code: "left", message } })));
  }
  const publish = (name: string) => act((draft) => draft.publish(made().revision, name));
  const takeBack = () => {
    published.value = false;
    return act((draft) => draft.takeBack());
  };
  const unplan = () => act((draft) => draft.unplan());
  const keepBand = (band: string, name: string) =>
    take(({ path, revision }, send) =>
      ask(api.POST("/api/templates/{id}/kept-bands", { params: { path }, body: { revision, band, name }, ...send })),
    );
  const placeBand = (kept: number, index: number, copy: string | null) =>
    take(({ path, revision }, send) => {
      const body = { revision, index, ...(copy ? { copy } : {}) };
      const params = { path: { ...path, kept } };
      return ask(api.POST("/api/templates/{id}/kept-bands/{kept}", { params, body, ...send }));
    });
  const unlinkBand = (band: string, prefix: string) =>
    take(({ path, revision }, send) =>
      ask(api.POST("/api/templates/{id}/unlink-band", { params: { path }, body: { revision, band, prefix }, ...send })),
    );
  const bringBack = (moment: string) =>
    take(({ path, revision }, send) =>
      ask(api.POST("/api/templates/{id}/bring-back", { params: { path }, body: { revision, moment }, ...send })),
    );
  /** Lays the page by a starter and tells what had no place. */
  const begin = (starter: string, filling: Schemas["Filling"]) =>
    take(async ({ path, revision }, send) => {
      const { data, error } = await ask(
        api.POST("/api/templates/{id}/starter", { params: { path }, body: { revision, starter, filling }, ...send }),
      );
      if (!data) return { error };
      if (path.id === here.value) tellLeftOver(data.draft, data.left_over);
      return { data: data.draft };
    });

  function tellLeftOver(laid: Draft, leftOver: string[]): void {
    const pieces = laid.layout.bands.flatMap((b) => b.columns).flatMap((c) => c.pieces);
    const kinds = new Map(pieces.map((p) => [p.id, p.kind]));
    const names = leftOver.map((id) => labels.value.get(kinds.get(id) ?? "text") ?? id);
    notice.value = names.length
      ? say("desk-store-arrangement-has-no-place", { names: names.join(", "), count: names.length })
      : null;
    chosen.value = null;
  }

  return {
    view,
    known,
    draft,
    chosen,
    scope,
    problem,
    waiting,
    order,
    onCard,
    labels,
    bandName,
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
    onPage,
    offPage,
    also,
    look,
    product,
    fresh,
    clash,
    others,
    onScreens,
    drawn,
    drawnDraft,
    drawnOrder,
    notice,
    alone,
    pointed,
    inHand,
    moved,
    $reset,
  };
});
