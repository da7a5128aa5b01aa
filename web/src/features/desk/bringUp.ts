import type { Line } from "./order";
import type { Box, Device } from "./types";

/** A piece that could be left out above something else, and how far that would then move up. */
export interface Spare {
  id: string;
  frees: number;
}

/** Pieces above one, each with the room from its top to the top of what comes next. */
export function above(order: Line[], boxes: Map<string, Box>, of: Line, device: Device, needed: Set<string>): Spare[] {
  const seen = (line: Line): Box | null => {
    const box = boxes.get(line.piece.id);
    return box?.seen ? box : null;
  };
  const end = seen(of)?.top ?? 0;
  // On a phone all columns stand below each other.
  const counts = (line: Line): boolean =>
    device === "phone" ||
    line.column.id === of.column.id ||
    (line.band.id !== of.band.id && line.band.columns.length === 1);
  const flow = order.filter((line) => line.piece.kind !== "sticky_bar");
  const lines = flow.filter((line) => counts(line) && (seen(line)?.bottom ?? Infinity) <= end + 1);
  return lines
    .filter((line) => !needed.has(line.piece.kind))
    .map((line) => {
      const box = seen(line) as Box;
      const below = device === "phone" ? flow : [...flow.filter((one) => one.column.id === line.column.id), of];
      const tops = below.map((one) => seen(one)?.top ?? 0);
      const next = Math.min(...tops.filter((top) => top >= box.bottom));
      return { id: line.piece.id, frees: next - box.top };
    });
}

/** The fewest of them that free so much, of those the smallest, from the top; nothing where all together don't. */
export function enough(spares: Spare[], wanted: number): string[] {
  const largest = [...spares].sort((a, b) => b.frees - a.frees);
  const taken: Spare[] = [];
  let left = wanted;
  for (const one of largest) {
    if (left <= 0) break;
    const alone = largest.filter((other) => !taken.includes(other) && other.frees >= left).at(-1);
    const next = alone ?? one;
    taken.push(next);
    left -= next.frees;
  }
  return left <= 0 ? spares.filter((one) => taken.includes(one)).map((one) => one.id) : [];
}
