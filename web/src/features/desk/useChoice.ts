import { computed } from "vue";
import { useDesk } from "./deskStore";
import { type Target, bandOf, pieceOf } from "./types";
import { say } from "../../words";

/** What is chosen on the desk, and how something else is. */
export function useChoice() {
  const desk = useDesk();
  const line = computed(() => desk.order.find((l) => l.piece.id === pieceOf(desk.chosen)) ?? null);
  const band = computed(() => desk.draft?.layout.bands.find((b) => b.id === bandOf(desk.chosen)) ?? null);
  const title = computed(() => {
    if (desk.also.length > 0) return say("choice-pieces", { count: desk.also.length + 1 });
    const here = desk.drawnOrder.find((l) => l.piece.id === pieceOf(desk.chosen)) ?? line.value;
    if (here) return `${here.number} · ${desk.labels.get(here.piece.kind) ?? ""}`;
    return band.value ? say("choice-band", { id: desk.bandName(band.value.id) }) : "";
  });

  /** The chosen pieces, in the order of the page. */
  const lines = computed(() => {
    const ids = new Set([...desk.also, pieceOf(desk.chosen)]);
    return desk.order.filter((l) => ids.has(l.piece.id));
  });

  function choose(target: Target | null): void {
    desk.chosen = target;
    desk.also = [];
  }

  /** Adds a piece to the chosen ones, or takes it out. */
  function chooseToo(piece: string): void {
    const now = pieceOf(desk.chosen);
    if (desk.also.includes(piece)) desk.also = desk.also.filter((id) => id !== piece);
    else if (now && now !== piece) {
      desk.also = [...desk.also, now];
      desk.chosen = { piece };
    } else desk.chosen = { piece };
  }

  /** Everything from the chosen line up to this one. */
  function chooseUpTo(piece: string): void {
    const at = desk.order.findIndex((l) => l.piece.id === pieceOf(desk.chosen));
    const to = desk.order.findIndex((l) => l.piece.id === piece);
    if (at < 0) return choose({ piece });
    const between = desk.order.slice(Math.min(at, to), Math.max(at, to) + 1).map((l) => l.piece.id);
    desk.also = between.filter((id) => id !== pieceOf(desk.chosen));
  }

  /** The line above or below the chosen one; with `more` the chosen ones become more. */
  function walk(step: -1 | 1, more = false): void {
    const at = desk.order.findIndex((l) => l.piece.id === line.value?.piece.id);
    const next = desk.order[at < 0 ? 0 : at + step];
    if (!next) return;
    if (more && line.value) {
      desk.also = [...new Set([...desk.also, line.value.piece.id])].filter((id) => id !== next.piece.id);
      desk.chosen = { piece: next.piece.id };
    } else choose({ piece: next.piece.id });
  }

  return { line, lines, band, title, choose, chooseToo, chooseUpTo, walk };
}
