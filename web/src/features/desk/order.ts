import type { Band, Box, Column, Layout, Piece, Place } from "./types";

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

/** What an owner calls a band: its own name, or its columns. */
export function bandName(band: Band): string {
  const own = band.values?.wide?.name;
  if (typeof own === "string" && own !== "") return own;
  const ground = band.values?.wide?.ground;
  const suffix = ground === "tinted" ? ", tinted" : ground === "ink" ? ", dark" : "";
  const counts = ["", "Whole width", "Two columns", "Three columns", "Four columns"];
  const widths = band.columns.length > 1 ? `, ${band.columns.map((c) => c.width).join(" + ")}` : "";
  return `${counts[band.columns.length] ?? ""}${widths}${suffix}`;
}

/** A new name that nothing on the page has. */
export function newId(prefix: string): string {
  const bytes = crypto.getRandomValues(new Uint8Array(6));
  return `${prefix}-${[...bytes].map((b) => b.toString(16).padStart(2, "0")).join("")}`;
}
