import { computed } from "vue";
import { useDesk } from "./deskStore";
import { bandName, newId, stepPlace } from "./order";
import { type Device, type Kind, type Place, type Target, type Value, bandOf, pieceOf } from "./types";

/** What can be done with the chosen piece or band. */
export function useMoves() {
  const desk = useDesk();
  const line = computed(() => desk.order.find((l) => l.piece.id === pieceOf(desk.chosen)) ?? null);
  const band = computed(() => desk.draft?.layout.bands.find((b) => b.id === bandOf(desk.chosen)) ?? null);
  const title = computed(() => {
    if (line.value) return `${line.value.number} · ${desk.labels.get(line.value.piece.kind) ?? ""}`;
    return band.value ? `Band · ${bandName(band.value)}` : "";
  });

  function choose(target: Target | null): void {
    desk.chosen = target;
  }

  /** The line above or below the chosen one. */
  function walk(step: -1 | 1): void {
    const at = desk.order.findIndex((l) => l.piece.id === line.value?.piece.id);
    const next = desk.order[at < 0 ? 0 : at + step];
    if (next) choose({ piece: next.piece.id });
  }

  function step(direction: -1 | 1): void {
    if (band.value) return stepBand(direction);
    if (!line.value || !desk.draft) return;
    const to = stepPlace(desk.draft.layout, line.value, direction);
    if (to) void desk.edit({ op: "move_piece", piece: line.value.piece.id, to });
  }

  function stepBand(direction: -1 | 1): void {
    const bands = desk.draft?.layout.bands ?? [];
    const index = bands.findIndex((b) => b.id === band.value?.id) + direction;
    if (band.value && index >= 0 && index < bands.length) {
      void desk.edit({ op: "move_band", band: band.value.id, index });
    }
  }

  function move(piece: string, to: Place): void {
    choose({ piece });
    void desk.edit({ op: "move_piece", piece, to });
  }

  async function add(kind: Kind, at: Place): Promise<void> {
    const id = newId("p");
    await desk.edit({ op: "add_piece", piece: { id, kind, values: {} }, at });
    if (desk.order.some((l) => l.piece.id === id)) choose({ piece: id });
  }

  async function addBand(columns: number[]): Promise<void> {
    const bands = desk.draft?.layout.bands ?? [];
    const here = line.value?.band.id ?? band.value?.id;
    const index = here ? bands.findIndex((b) => b.id === here) + 1 : bands.length;
    const id = newId("b");
    const made = columns.map((width) => ({ id: newId("c"), width, pieces: [] }));
    await desk.edit({ op: "add_band", band: { id, values: {}, columns: made }, index });
    choose({ band: id });
  }

  function copy(): void {
    if (!line.value) return;
    const { piece, column, index } = line.value;
    const id = newId("p");
    void desk.edit({ op: "copy_piece", piece: piece.id, copy: id, to: { column: column.id, index: index + 1 } });
    choose({ piece: id });
  }

  function remove(): void {
    if (line.value) {
      const id = line.value.piece.id;
      const at = desk.order.findIndex((l) => l.piece.id === id);
      const next = desk.order[at + 1] ?? desk.order[at - 1];
      void desk.edit({ op: "remove_piece", piece: id });
      choose(next ? { piece: next.piece.id } : null);
    } else if (band.value) {
      void desk.edit({ op: "remove_band", band: band.value.id });
      choose(null);
    }
  }

  function set(target: Target, setting: string, device: Device, value: Value | null): Promise<void> {
    return desk.edit({ op: "set", target, setting, device, value });
  }

  return { line, band, title, choose, walk, step, move, add, addBand, copy, remove, set };
}
export type Moves = ReturnType<typeof useMoves>;
