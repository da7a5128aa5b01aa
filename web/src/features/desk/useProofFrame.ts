import { useResizeObserver } from "../../ui/useResizeObserver";
import { type Ref, computed, inject, onBeforeUnmount, onMounted, ref, watch } from "vue";
import { useDesk } from "./deskStore";
import { CLIPBOARD, injectMoves } from "./keys";
import { type Parts, changesBetween, partsOf } from "./proofChanges";
import { type Box, type Device, bandOf, pieceOf } from "./types";
import type { Press } from "./useKeys";
import { say } from "../../words";

interface Wiring {
  holder: Ref<HTMLElement | null>;
  frame: Ref<HTMLIFrameElement | null>;
  device: () => Device;
  width: () => number;
  fold: () => number;
  html: () => string | null;
  boxes: (boxes: Box[]) => void;
  picked: (choice: string) => void;
  press: (press: Press) => void;
}

type FromProof = { from: "proof" } & (
  | { say: "ready" | "lost" | "written" }
  | { say: "boxes"; boxes: Box[] }
  | { say: "pointed"; piece: string | null; band: string | null; more: boolean }
  | { say: "picked"; choice: string }
  | { say: "columns"; band: string; widths: number[] }
  | ({ say: "key" } & Press)
);

const ENTER = { key: "Enter", ctrlKey: false, metaKey: false, shiftKey: false, altKey: false };

/** Talks with the agent in a proof: hands it the newest page, marks what is chosen, hears what is pointed at. */
export function useProofFrame(wiring: Wiring) {
  const desk = useDesk();
  const moves = injectMoves();
  const clipboard = inject(CLIPBOARD, null);
  const size = useResizeObserver(wiring.holder);
  const scale = computed(() => Math.min(1, size.value.width / wiring.width()) || 0.1);
  const height = computed(() => Math.max(200, size.value.height / scale.value));
  const percent = computed(() => Math.round(scale.value * 100));
  /** The frame is loaded once; after that the agent changes only what differs. */
  const document = ref<string | null>(null);
  let ready = false;
  let shown: Parts | null = null;

  function tell(message: Record<string, unknown>): void {
    if (ready) wiring.frame.value?.contentWindow?.postMessage(message, location.origin);
  }

  function sendPage(fresh?: string): void {
    const html = fresh ?? wiring.html();
    if (html === null) return;
    if (document.value === null) {
      document.value = html;
      shown = partsOf(html);
    } else if (ready && shown && html !== shown.html) {
      const wanted = partsOf(html);
      tell(changesBetween(shown, wanted));
      shown = wanted;
    }
  }
  // The page that came with an answer goes to the proofs first; the desk around them follows.
  desk.onPage(sendPage);

  function sendChosen(reveal: boolean): void {
    const piece = pieceOf(desk.chosen);
    const line = desk.drawnOrder.find((l) => l.piece.id === piece);
    const label = line ? (desk.labels.get(line.piece.kind) ?? "") : "";
    tell({ say: "choose", piece, band: bandOf(desk.chosen), also: [...desk.also], label, reveal });
  }

  function sendFold(): void {
    const height = wiring.fold();
    tell({ say: "first-screen", height, scale: scale.value, says: say("proof-frame-first-screen", { height }) });
  }

  function point(piece: string | null, band: string | null, more: boolean): void {
    desk.pointed = wiring.device();
    if (piece && more) moves.chooseToo(piece);
    else if (piece) moves.choose({ piece });
    else if (band) moves.choose({ band });
  }

  function hear(event: MessageEvent<FromProof>): void {
    if (event.origin !== location.origin || event.source !== wiring.frame.value?.contentWindow) return;
    const message = event.data;
    if (message.say === "ready") {
      ready = true;
      const page = wiring.frame.value?.contentDocument;
      if (page) clipboard?.attach(page);
      sendPage();
      sendFold();
      sendChosen(false);
    } else if (message.say === "lost" && shown) tell({ say: "page", html: shown.html });
    else if (message.say === "boxes") wiring.boxes(message.boxes);
    else if (message.say === "pointed") point(message.piece, message.band, message.more);
    else if (message.say === "picked") wiring.picked(message.choice);
    else if (message.say === "columns") moves.setColumns(message.band, message.widths);
    else if (message.say === "key") wiring.press(message);
    // The first of the two clicks has chosen it.
    else if (message.say === "written") wiring.press({ ...ENTER, writes: true });
  }

  onMounted(() => addEventListener("message", hear));
  onBeforeUnmount(() => {
    removeEventListener("message", hear);
    desk.offPage(sendPage);
  });
  watch(wiring.html, () => sendPage(), { immediate: true });
  watch(scale, sendFold);
  watch(
    () => [desk.chosen, desk.also, desk.drawnOrder],
    () => sendChosen(true),
  );

  return { scale, height, percent, document };
}
