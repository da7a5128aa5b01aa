import { Idiomorph } from "idiomorph";
import { clearEdges, drawEdges, onColumns } from "./edges";
import { readTable } from "./entries";
import look from "./proof.css?inline";
import { startFilms } from "./film";
import { watchGalleries } from "./gallery";
import { watchSticky } from "./sticky";

/**
 * The agent in a proof: takes the page's newest HTML from the desk and changes only what differs, tells where the
 * pieces lie, what is pointed at and which choice is clicked. It speaks with its own origin only.
 */
interface Box {
  id: string;
  top: number;
  bottom: number;
  /** Whether it takes any room: a piece may be hidden on this screen. */
  seen: boolean;
}

interface Changes {
  /** The new HTML of the pieces that differ, by their names. */
  pieces: Record<string, string>;
  /** The rows in which pieces stand otherwise, where only their places differ. */
  rows: { was: string[]; now: string[] }[];
  /** The page's body with empty pieces, where anything but the insides of pieces differs. */
  body: string | null;
  /** The house style, and what the page's pieces and bands are set to; none where it is as it was. */
  house: string | null;
  laid: string | null;
  offers: string | null;
  title: string;
  lang: string;
}

type ToProof =
  | { say: "page"; html: string }
  | ({ say: "changes" } & Changes)
  | { say: "choose"; piece: string | null; band: string | null; also: string[]; label: string; reveal: boolean }
  | { say: "first-screen"; height: number; scale: number; says: string };

let chosen: string | null = null;
let chosenBand: string | null = null;
let also: string[] = [];
let chosenLabel = "";
let foldAt: number | null = null;
let foldSays = "";

function tell(message: Record<string, unknown>): void {
  parent.postMessage({ from: "proof", ...message }, self.origin);
}

function boxes(): Box[] {
  return [...document.querySelectorAll<HTMLElement>("[data-piece]")].map((piece) => {
    const inner = piece.querySelector<HTMLElement>("[data-sticky]") ?? piece;
    const box = inner.getBoundingClientRect();
    const offset = inner === piece ? scrollY : 0;
    return {
      id: piece.dataset.piece ?? "",
      top: Math.round(box.top + offset),
      bottom: Math.round(box.bottom + offset),
      seen: getComputedStyle(piece).display !== "none" && (box.height > 0 || inner !== piece),
    };
  });
}

/** Tells where everything lies, once for all that moved until the next frame, and only if something did. */
let reporting = false;
let reported = "";
function report(): void {
  if (reporting) return;
  reporting = true;
  const go = () => {
    if (!reporting) return;
    reporting = false;
    const now = boxes();
    const text = JSON.stringify(now);
    if (text !== reported) tell({ say: "boxes", boxes: now });
    reported = text;
  };
  requestAnimationFrame(() => setTimeout(go));
  setTimeout(go, 200);
}

function drawFold(): void {
  let line = document.getElementById("proof-fold");
  if (foldAt === null) return line?.remove();
  if (!line) {
    line = document.createElement("div");
    line.id = "proof-fold";
    document.body.append(line);
  }
  line.style.top = `${foldAt}px`;
  line.dataset.says = foldSays;
}

function find(kind: "piece" | "band", id: string | null): HTMLElement | null {
  return id ? document.querySelector<HTMLElement>(`[data-${kind}="${CSS.escape(id)}"]`) : null;
}

function mark(label: string): void {
  show("data-chosen", [find("piece", chosen)], label);
  show("data-chosen-band", [find("band", chosenBand)], "");
  show(
    "data-also",
    also.map((id) => find("piece", id)),
    "",
  );
  drawEdges(find("band", chosenBand));
}

/** Gives a mark to these elements and takes it from all others. */
function show(name: string, to: (HTMLElement | null)[], value: string): void {
  for (const element of document.querySelectorAll<HTMLElement>(`[${name}]`)) {
    if (!to.includes(element)) element.removeAttribute(name);
  }
  for (const element of to) if (element?.getAttribute(name) !== value) element?.setAttribute(name, value);
}

/** What was put into elements; reading it from a page with many offers would take longer than all else. */
const texts = new WeakMap<Element, string>();
function setText(element: Element | null, text: string | null): void {
  if (!element || text === null) return;
  const now = texts.get(element) ?? element.textContent;
  texts.set(element, text);
  if (now !== text) element.textContent = text;
}

/** Takes away what isn't the page's own, before another page is laid over it. */
function clearMarks(): void {
  document.getElementById("proof-fold")?.remove();
  clearEdges();
}

/** Everything about a page that isn't the inside of a piece. */
function setHead(house: string | null, laid: string | null, offers: string | null, title: string, lang: string): void {
  setText(document.getElementById("house"), house);
  setText(document.getElementById("laid"), laid);
  setText(document.getElementById("offers"), offers);
  if (document.title !== title) document.title = title;
  // Naming the same language again would have every element's style worked out anew.
  if (document.documentElement.lang !== lang) document.documentElement.lang = lang;
}

/** Only some pieces differ from what is shown, or stand elsewhere: the desk has compared the two pages. */
function takeChanges(changes: Changes): void {
  setHead(changes.house, changes.laid, changes.offers, changes.title, changes.lang);
  if (changes.body === null) {
    if (!takeRows(changes.rows)) return tell({ say: "lost" });
    for (const [id, html] of Object.entries(changes.pieces)) {
      const old = find("piece", id);
      const next = document.createElement("template");
      next.innerHTML = html;
      if (old) void Idiomorph.morph(old, [...next.content.childNodes], { morphStyle: "outerHTML" });
    }
  } else if (!takeBody(changes.body, changes.pieces)) return tell({ say: "lost" });
  settle();
}

/** Puts pieces in their order, each with all that it holds as it is. Tells whether all were found. */
function takeRows(rows: Changes["rows"]): boolean {
  const places = rows.map(({ was, now }) => {
    const last = find("piece", was.at(-1) ?? null);
    return { holder: last?.parentElement, end: last?.nextSibling ?? null, pieces: now.map((id) => find("piece", id)) };
  });
  for (const { holder, end, pieces } of places) {
    let next: Node | null = end;
    for (const piece of pieces.reverse()) {
      if (!holder || !piece) return false;
      if (piece.parentElement !== holder || piece.nextSibling !== next) put(holder, piece, next);
      next = piece;
    }
  }
  return true;
}

/** Where the browser can, without ending a film that plays or forgetting how far a gallery was scrolled. */
function put(holder: Element & { moveBefore?: Element["insertBefore"] }, piece: Element, before: Node | null): void {
  if (holder.moveBefore) holder.moveBefore(piece, before);
  else holder.insertBefore(piece, before);
}

/** Pieces come empty where they are as they were; those are moved and left alone. Tells whether all were found. */
function takeBody(body: string, pieces: Record<string, string>): boolean {
  const next = new DOMParser().parseFromString(body, "text/html");
  for (const [id, html] of Object.entries(pieces)) {
    const place = next.querySelector(`[data-piece="${CSS.escape(id)}"]`);
    if (place) place.outerHTML = html;
  }
  const same = [...next.querySelectorAll<HTMLElement>("[data-piece]")]
    .map((piece) => piece.dataset.piece ?? "")
    .filter((id) => !(id in pieces));
  const before = same.map((id) => find("piece", id));
  const isSame = new Set(same);
  clearMarks();
  void Idiomorph.morph(document.body, [...next.body.childNodes], {
    morphStyle: "innerHTML",
    callbacks: {
      beforeNodeMorphed: (_, wanted) => !(wanted instanceof HTMLElement && isSame.has(wanted.dataset.piece ?? "-")),
    },
  });
  return same.every((id, i) => before[i] !== null && find("piece", id) === before[i]);
}

/** The whole page, where its parts were lost. */
function takePage(html: string): void {
  const next = new DOMParser().parseFromString(html, "text/html");
  const text = (css: string) => next.querySelector(css)?.textContent ?? "";
  setHead(text("#house"), text("#laid"), text("#offers"), next.title, next.documentElement.lang);
  clearMarks();
  void Idiomorph.morph(document.body, [...next.body.childNodes], { morphStyle: "innerHTML" });
  settle();
}

/** What follows on any change of the page. */
function settle(): void {
  for (const input of document.querySelectorAll<HTMLInputElement>("input[type=radio]")) {
    if (input.checked !== input.defaultChecked) input.checked = input.defaultChecked;
  }
  mark(chosenLabel);
  drawFold();
  report();
  watchSticky();
  startFilms();
  watchGalleries(true);
}

addEventListener("message", (event: MessageEvent<ToProof>) => {
  if (event.origin !== self.origin || event.source !== parent) return;
  const message = event.data;
  if (message.say === "page") takePage(message.html);
  else if (message.say === "changes") takeChanges(message);
  else if (message.say === "choose") {
    chosen = message.piece;
    chosenBand = message.band;
    also = message.also;
    chosenLabel = message.label;
    mark(chosenLabel);
    const element = find("piece", chosen) ?? find("band", chosenBand);
    if (element && message.reveal) reveal(element);
  } else if (message.say === "first-screen") {
    [foldAt, foldSays] = [message.height, message.says];
    // Marks keep their size on the desk, however small the proof is drawn.
    const { style } = document.documentElement;
    style.setProperty("--unscale", String(1 / message.scale));
    style.setProperty("--screen", `${message.height}px`);
    drawFold();
    report();
  }
});

const still = matchMedia("(prefers-reduced-motion: reduce)");
/** Scrolls only when the piece isn't in sight. */
function reveal(piece: HTMLElement): void {
  const box = piece.getBoundingClientRect();
  const inSight =
    box.top >= 0 && (box.bottom <= innerHeight || (box.height > innerHeight && box.top < innerHeight / 2));
  if (!inSight && box.height > 0)
    scrollTo({ top: Math.max(0, scrollY + box.top - 80), behavior: still.matches ? "auto" : "smooth" });
}

document.addEventListener(
  "click",
  (event) => {
    const target = event.target as Element;
    const piece = target.closest<HTMLElement>("[data-piece]")?.dataset.piece ?? null;
    const band = target.closest<HTMLElement>("[data-band]")?.dataset.band ?? null;
    if (piece || band) tell({ say: "pointed", piece, band, more: event.ctrlKey || event.metaKey || event.shiftKey });
    if (target.closest("a, button")) event.preventDefault();
  },
  true,
);
document.addEventListener("dblclick", (event) => {
  const piece = (event.target as Element).closest<HTMLElement>("[data-piece]")?.dataset.piece;
  if (!piece) return;
  getSelection()?.removeAllRanges();
  tell({ say: "written" });
});
document.addEventListener("submit", (event) => event.preventDefault(), true);
document.addEventListener("change", (event) => {
  const input = event.target as HTMLInputElement | HTMLSelectElement;
  const option = input.dataset.option;
  if (option === undefined) return;
  const picked = input instanceof HTMLSelectElement ? input.selectedOptions[0] : input;
  const table = readTable();
  const to = table?.entries[table.start]?.values[Number(option)]?.[Number(picked?.dataset.value)]?.[1];
  if (to !== undefined) tell({ say: "picked", choice: to });
});
document.addEventListener("keydown", (event) => {
  const typing = (event.target as Element).closest("input, select, textarea");
  if (typing) return;
  const { key, ctrlKey, metaKey, shiftKey, altKey } = event;
  tell({ say: "key", key, ctrlKey, metaKey, shiftKey, altKey });
});

const style = document.createElement("style");
style.textContent = look;
document.head.append(style);
startFilms();
watchGalleries(true);
new ResizeObserver(() => {
  report();
  drawEdges(find("band", chosenBand));
}).observe(document.documentElement);
onColumns((band, widths) => tell({ say: "columns", band, widths }));
document.addEventListener("load", report, true);
watchSticky();
tell({ say: "ready" });
report();
