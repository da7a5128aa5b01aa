import {
  type Band,
  type Box,
  type Column,
  type Device,
  type Draft,
  type Layout,
  type Piece,
  type Place,
  SCREENS,
} from "./types";

/** A piece where it stands in the running order. */
export interface Line {
  piece: Piece;
  band: Band;
  column: Column;
  index: number;
  number: number;
}

/** The page as the numbered list of what a shopper meets. */
export function lines(layout: Layout): Line[] {
  let number = 0;
  return layout.bands.flatMap((band) =>
    band.columns.flatMap((column) =>
      column.pieces.map((piece, index) => ({ piece, band, column, index, number: ++number })),
    ),
  );
}

/** A new draft with the very pieces, columns and bands of the old one where they are as they were: only what changed is
 * drawn anew. */
export function sharing(old: Draft | null, next: Draft): Draft {
  const before = old?.layout.bands ?? [];
  const columnsBefore = before.flatMap((band) => band.columns);
  const pieces = sharer(columnsBefore.flatMap((column) => column.pieces));
  const columns = sharer(columnsBefore);
  const bands = sharer(before);
  const column = (one: Column): Column =>
    columns({ ...one, pieces: one.pieces.map((piece) => pieces(piece)) }, "pieces");
  const band = (one: Band): Band => bands({ ...one, columns: one.columns.map(column) }, "columns");
  return { ...next, layout: { ...next.layout, bands: next.layout.bands.map(band) } };
}

/** Gives the one that was there before for one that is like it. What it holds, under `within`, is shared already. */
function sharer<T extends { id: string }>(before: T[]) {
  const known = new Map(before.map((one): [string, T] => [one.id, one]));
  return (one: T, within?: keyof T): T => {
    const same = known.get(one.id);
    if (!same) return one;
    const [held, now] = within ? [same[within] as unknown[], one[within] as unknown[]] : [[], []];
    const holds = held.length === now.length && held.every((part, place) => part === now[place]);
    const rest = (of: T): string => JSON.stringify(within ? { ...of, [within]: [] } : of);
    return holds && rest(same) === rest(one) ? same : one;
  };
}

/** The pieces of a band in the order in which they stand on a screen, given the order that is set for it: what isn't
 * named in it, because it came later, stands behind the piece behind which it is listed. */
export function ordered(band: Band, named: string[]): string[] {
  const listed = band.columns.flatMap((column) => column.pieces).map((piece) => piece.id);
  const order = named.filter((id) => listed.includes(id));
  if (order.length === 0) return listed;
  listed.forEach((id, at) => {
    if (!order.includes(id)) order.splice(at === 0 ? 0 : order.indexOf(listed[at - 1] ?? "") + 1, 0, id);
  });
  return order;
}

/** Where a piece lies on a screen: within the first screen, below it, or nowhere. */
export type Where = "first" | "below" | "away";
export function whereIs(shown: boolean, device: Device, box: Box | undefined): Where {
  if (!shown) return "away";
  return box?.seen && box.bottom <= SCREENS[device].height ? "first" : "below";
}

/** One step up or down: within the column, or to the edge of the next one. Nothing at the ends of the page. */
export function stepPlace(layout: Layout, line: Line, step: -1 | 1): Place | null {
  const next = line.index + step;
  if (next >= 0 && next < line.column.pieces.length) return { column: line.column.id, index: next };
  const columns = layout.bands.flatMap((band) => band.columns);
  const neighbour = columns[columns.findIndex((c) => c.id === line.column.id) + step];
  if (!neighbour) return null;
  return { column: neighbour.id, index: step === 1 ? 0 : neighbour.pieces.length };
}

/** The number of the last line that lies wholly within the first screen; 0 where none does. */
export function lastInFirstScreen(order: Line[], boxes: Map<string, Box>, height: number): number {
  const inside = order.filter((line) => {
    const box = boxes.get(line.piece.id);
    return box?.seen && line.piece.kind !== "sticky_bar" && box.bottom <= height;
  });
  return inside.at(-1)?.number ?? 0;
}

/** A new name that nothing on the page has. */
export function newId(prefix: string): string {
  const bytes = crypto.getRandomValues(new Uint8Array(6));
  return `${prefix}-${[...bytes].map((b) => b.toString(16).padStart(2, "0")).join("")}`;
}
