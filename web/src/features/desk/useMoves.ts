import { clipText, readClip, renamed, renamedBand } from "./clipboard";
import { useDesk } from "./deskStore";
import { newId, stepPlace } from "./order";
import type { Kind, Op, Place } from "./types";
import { useChoice } from "./useChoice";
import { useOrderOn } from "./useOrderOn";
import { useValues } from "./useValues";
import { say } from "../../words";

/** What can be done with what is chosen: it is moved, copied, removed, and something is put beside it. */
export function useMoves() {
  const desk = useDesk();
  const choice = useChoice();
  const orderOn = useOrderOn();
  const { line, lines, band, choose } = choice;

  function step(direction: -1 | 1): void {
    if (band.value) return stepBand(direction);
    if (!line.value || !desk.draft) return;
    if (desk.inHand !== "wide" && !desk.onCard) return orderOn.stepOn(desk.inHand, line.value.piece.id, direction);
    if (lines.value.length > 1) return stepAll(direction);
    const to = stepPlace(desk.draft.layout, line.value, direction);
    if (to) void desk.edit({ op: "move_piece", piece: line.value.piece.id, to });
    tell();
  }

  /** Tells whoever doesn't see the order where what was moved stands now. */
  function tell(): void {
    const bands = desk.draft?.layout.bands ?? [];
    if (line.value) {
      const name = desk.labels.get(line.value.piece.kind) ?? "";
      const several = lines.value.length > 1 ? say("moves-more", { count: lines.value.length - 1 }) : "";
      desk.moved = say("moves-now", {
        name,
        several,
        number: line.value.number,
        count: desk.order.length,
        id: desk.bandName(line.value.band.id),
      });
    } else if (band.value) {
      const at = bands.findIndex((one) => one.id === band.value?.id) + 1;
      desk.moved = say("moves-now-band", { id: desk.bandName(band.value.id), at, count: bands.length });
    }
  }

  /** Several go together: to before the line above them, or behind the line below them. */
  function stepAll(direction: -1 | 1): void {
    const edge = direction === -1 ? lines.value[0] : lines.value.at(-1);
    const to = edge && desk.draft ? stepPlace(desk.draft.layout, edge, direction) : null;
    if (edge && to)
      moveAll({ column: to.column, index: direction === 1 && to.column === edge.column.id ? to.index + 1 : to.index });
  }

  /** Moves all chosen pieces to before the one that stands at a place now. */
  function moveAll(to: Place): void {
    void desk.edit({ op: "move_pieces", pieces: lines.value.map((l) => l.piece.id), to });
    tell();
  }

  function stepBand(direction: -1 | 1): void {
    const bands = desk.draft?.layout.bands ?? [];
    const index = bands.findIndex((b) => b.id === band.value?.id) + direction;
    if (band.value && index >= 0 && index < bands.length) {
      void desk.edit({ op: "move_band", band: band.value.id, index });
      tell();
    }
  }

  function move(piece: string, to: Place): void {
    choose({ piece });
    void desk.edit({ op: "move_piece", piece, to });
    tell();
  }

  function add(kind: Kind, at: Place): string {
    const id = newId("p");
    void desk.edit({ op: "add_piece", piece: { id, kind, values: {} }, at });
    choose({ piece: id });
    return id;
  }

  /** The place for something new: behind the chosen line, in the chosen band, or at the end. An empty page gets a band. */
  function placeForNew(): Place | null {
    if (line.value) return { column: line.value.column.id, index: line.value.index + 1 };
    if (!desk.draft?.layout.bands.length) addBand([12]);
    const column = (band.value ?? desk.draft?.layout.bands.at(-1))?.columns[0];
    return column ? { column: column.id, index: column.pieces.length } : null;
  }

  function addBand(columns: number[]): void {
    const bands = desk.draft?.layout.bands ?? [];
    const here = line.value?.band.id ?? band.value?.id;
    const index = here ? bands.findIndex((b) => b.id === here) + 1 : bands.length;
    const id = newId("b");
    const made = columns.map((width) => ({ id: newId("c"), width, pieces: [] }));
    void desk.edit({ op: "add_band", band: { id, values: {}, columns: made }, index });
    choose({ band: id });
  }

  function copy(): void {
    if (!line.value) return;
    const ops = lines.value.map((l): [string, Op] => {
      const id = newId("p");
      return [id, { op: "copy_piece", piece: l.piece.id, copy: id, to: { column: l.column.id, index: l.index + 1 } }];
    });
    // From the last to the first, so that no copy shifts the place of another.
    void desk.edit({ op: "many", ops: ops.map(([, op]) => op).reverse() });
    const first = ops[0]?.[0];
    choose(first ? { piece: first } : null);
  }

  function remove(): void {
    if (lines.value.length > 0) {
      const ids = new Set(lines.value.map((l) => l.piece.id));
      const at = desk.order.findIndex((l) => ids.has(l.piece.id));
      const next = desk.order.slice(at).find((l) => !ids.has(l.piece.id)) ?? desk.order[at - 1];
      const ops = [...ids].map((piece): Op => ({ op: "remove_piece", piece }));
      const [only] = ops;
      void desk.edit(ops.length === 1 && only ? only : { op: "many", ops });
      choose(next ? { piece: next.piece.id } : null);
    } else if (band.value) {
      void desk.edit({ op: "remove_band", band: band.value.id });
      choose(null);
    }
  }

  /** Gives a band other columns, keeping the first ones' names so that their pieces stay. */
  function setColumns(id: string, widths: number[]): void {
    const now = desk.draft?.layout.bands.find((b) => b.id === id)?.columns ?? [];
    const columns = widths.map((width, i) => ({ id: now[i]?.id ?? newId("c"), width }));
    void desk.edit({ op: "set_columns", band: id, columns });
  }

  /** What is chosen, for the clipboard. */
  function clip(): string | null {
    if (band.value) return clipText({ bands: [band.value] });
    const pieces = lines.value.map((l) => l.piece);
    return pieces.length ? clipText({ pieces }) : null;
  }

  /** Puts what was copied behind what is chosen. Tells whether the text was ours. */
  function paste(text: string): boolean {
    const found = readClip(text);
    if (!found) return false;
    const ops: Op[] = [];
    const pieces = (found.pieces ?? []).map(renamed);
    if (pieces.length) {
      const at = placeForNew();
      if (at) pieces.forEach((piece, i) => ops.push({ op: "add_piece", piece, at: { ...at, index: at.index + i } }));
    }
    const bands = desk.draft?.layout.bands ?? [];
    const here = bands.findIndex((b) => b.id === (line.value?.band.id ?? band.value?.id)) + 1 || bands.length;
    const newBands = (found.bands ?? []).map(renamedBand);
    newBands.forEach((one, i) => ops.push({ op: "add_band", band: one, index: here + i }));
    if (ops.length) void desk.edit({ op: "many", ops });
    const [piece, first] = [pieces.at(-1), newBands[0]];
    if (piece) choose({ piece: piece.id });
    else if (first) choose({ band: first.id });
    return true;
  }

  const moving = { step, move, moveAll, add, addBand, placeForNew, copy, remove, setColumns, clip, paste };
  return { ...choice, ...moving, ...useValues() };
}
export type Moves = ReturnType<typeof useMoves>;
