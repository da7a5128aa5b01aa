import { Idiomorph } from "idiomorph";
import { readTable } from "./entries";
import look from "./proof.css?inline";
import { startFilms } from "./film";
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

type ToProof =
  | { say: "page"; html: string }
  | { say: "choose"; piece: string | null; band: string | null; also: string[]; label: string; reveal: boolean }
  | { say: "first-screen"; height: number; scale: number };

let chosen: string | null = null;
let chosenBand: string | null = null;
let also: string[] = [];
let foldAt: number | null = null;

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

function report(): void {
  tell({ say: "boxes", boxes: boxes(), height: document.documentElement.scrollHeight });
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
  line.dataset.says = `first screen, ${foldAt}`;
}

function find(kind: "piece" | "band", id: string | null): HTMLElement | null {
  return id ? document.querySelector<HTMLElement>(`[data-${kind}="${CSS.escape(id)}"]`) : null;
}

function mark(label: string): void {
  for (const name of ["data-chosen", "data-also", "data-chosen-band"]) {
    document.querySelectorAll(`[${name}]`).forEach((element) => element.removeAttribute(name));
  }
  find("piece", chosen)?.setAttribute("data-chosen", label);
  find("band", chosenBand)?.setAttribute("data-chosen-band", "");
  for (const id of also) find("piece", id)?.setAttribute("data-also", "");
}

/** The page's HTML as it was handed over last, piece by piece, so that only what differs is touched. */
let drawn = new Map<string, string>();
let shape = "";

function piecesOf(page: Document): Map<string, string> {
  const all = [...page.querySelectorAll<HTMLElement>("[data-piece]")];
  return new Map(all.map((piece): [string, string] => [piece.dataset.piece ?? "", piece.outerHTML]));
}

/** Everything but the insides of the pieces. */
function shapeOf(page: Document): string {
  const body = page.body.cloneNode(true) as HTMLElement;
  body.querySelectorAll("[data-piece]").forEach((piece) => {
    const empty = document.createElement("i");
    empty.dataset.piece = (piece as HTMLElement).dataset.piece ?? "";
    piece.replaceWith(empty);
  });
  return body.innerHTML;
}

function setText(element: Element | null, text: string): void {
  if (element && element.textContent !== text) element.textContent = text;
}

function morph(html: string): void {
  const next = new DOMParser().parseFromString(html, "text/html");
  const label = find("piece", chosen)?.getAttribute("data-chosen") ?? "";
  setText(document.querySelector("head style:not([data-proof])"), next.querySelector("head style")?.textContent ?? "");
  setText(document.getElementById("offers"), next.getElementById("offers")?.textContent ?? "");
  document.title = next.title;
  document.documentElement.lang = next.documentElement.lang;
  const [pieces, nextShape] = [piecesOf(next), shapeOf(next)];
  if (nextShape === shape) {
    for (const [id, outer] of pieces) {
      const [old, fresh] = [find("piece", id), outer === drawn.get(id) ? null : findIn(next, id)];
      if (old && fresh) Idiomorph.morph(old, fresh, { morphStyle: "outerHTML" });
    }
  } else {
    document.getElementById("proof-fold")?.remove();
    Idiomorph.morph(document.body, next.body, { morphStyle: "innerHTML" });
  }
  drawn = pieces;
  shape = nextShape;
  for (const input of document.querySelectorAll<HTMLInputElement>("input[type=radio]")) {
    input.checked = input.defaultChecked;
  }
  mark(label);
  drawFold();
  watchSticky();
  report();
}

function findIn(page: Document, id: string): Element | null {
  return page.querySelector(`[data-piece="${CSS.escape(id)}"]`);
}

addEventListener("message", (event: MessageEvent<ToProof>) => {
  if (event.origin !== self.origin || event.source !== parent) return;
  const message = event.data;
  if (message.say === "page") {
    morph(message.html);
    tell({ say: "drawn" });
  } else if (message.say === "choose") {
    chosen = message.piece;
    chosenBand = message.band;
    also = message.also;
    mark(message.label);
    const element = find("piece", chosen) ?? find("band", chosenBand);
    if (element && message.reveal) reveal(element);
  } else if (message.say === "first-screen") {
    foldAt = message.height;
    // Marks keep their size on the desk, however small the proof is drawn.
    document.documentElement.style.setProperty("--unscale", String(1 / message.scale));
    drawFold();
    report();
  }
});

/** Scrolls only when the piece isn't in sight. */
function reveal(piece: HTMLElement): void {
  const box = piece.getBoundingClientRect();
  const inSight =
    box.top >= 0 && (box.bottom <= innerHeight || (box.height > innerHeight && box.top < innerHeight / 2));
  if (!inSight && box.height > 0) scrollTo({ top: Math.max(0, scrollY + box.top - 80), behavior: "smooth" });
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
style.dataset.proof = "";
document.head.append(style);
drawn = piecesOf(document);
shape = shapeOf(document);
startFilms();
new ResizeObserver(() => report()).observe(document.documentElement);
document.addEventListener("load", report, true);
watchSticky();
tell({ say: "ready" });
report();
