import { Idiomorph } from "idiomorph";
import { readTable } from "./entries";
import look from "./proof.css?inline";
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
  | { say: "choose"; piece: string | null; label: string; reveal: boolean }
  | { say: "first-screen"; height: number; scale: number };

let chosen: string | null = null;
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

function mark(label: string): void {
  document.querySelectorAll("[data-chosen]").forEach((piece) => piece.removeAttribute("data-chosen"));
  const piece = chosen ? document.querySelector<HTMLElement>(`[data-piece="${CSS.escape(chosen)}"]`) : null;
  piece?.setAttribute("data-chosen", label);
}

function morph(html: string): void {
  const next = new DOMParser().parseFromString(html, "text/html");
  const label = document.querySelector("[data-chosen]")?.getAttribute("data-chosen") ?? "";
  document.getElementById("proof-fold")?.remove();
  const style = document.querySelector("head style:not([data-proof])");
  const nextStyle = next.querySelector("head style")?.textContent ?? "";
  if (style) style.textContent = nextStyle;
  const data = document.getElementById("offers");
  if (data) data.textContent = next.getElementById("offers")?.textContent ?? "";
  document.title = next.title;
  Idiomorph.morph(document.body, next.body, { morphStyle: "innerHTML" });
  for (const input of document.querySelectorAll<HTMLInputElement>("input[type=radio]")) {
    input.checked = input.defaultChecked;
  }
  mark(label);
  drawFold();
  watchSticky();
  report();
}

addEventListener("message", (event: MessageEvent<ToProof>) => {
  if (event.origin !== self.origin || event.source !== parent) return;
  const message = event.data;
  if (message.say === "page") {
    morph(message.html);
    tell({ say: "drawn" });
  } else if (message.say === "choose") {
    chosen = message.piece;
    mark(message.label);
    const piece = document.querySelector<HTMLElement>("[data-chosen]");
    if (piece && message.reveal) reveal(piece);
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
  if (box.top < 0 || box.bottom > innerHeight)
    scrollTo({ top: Math.max(0, scrollY + box.top - 80), behavior: "smooth" });
}

document.addEventListener(
  "click",
  (event) => {
    const target = event.target as Element;
    const piece = target.closest<HTMLElement>("[data-piece]");
    if (piece) tell({ say: "pointed", piece: piece.dataset.piece });
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
new ResizeObserver(() => report()).observe(document.documentElement);
document.addEventListener("load", report, true);
watchSticky();
tell({ say: "ready" });
report();
