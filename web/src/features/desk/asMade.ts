import type { Band, Column, Layout, Op, Piece, Target, Value } from "./types";
import { bandOf, pieceOf } from "./types";

/**
 * The page as its running order shows it while a step on it waits for its answer. Whether a step can be taken, and what
 * comes of it, is told by the server; this only lets one go on meanwhile. What can't be told from the step alone changes
 * nothing here.
 */
export function withOp(layout: Layout, op: Op): Layout {
  switch (op.op) {
    case "add_piece":
      return putPiece(withoutPiece(layout, op.piece.id), op.piece, op.at);
    case "remove_piece":
      return withoutPiece(layout, op.piece);
    case "move_piece": {
      const piece = pieceIn(layout, op.piece);
      return piece ? putPiece(withoutPiece(layout, op.piece), piece, op.to) : layout;
    }
    case "move_pieces": {
      const moved = op.pieces.flatMap((id) => pieceIn(layout, id) ?? []);
      const column = layout.bands.flatMap((band) => band.columns).find((one) => one.id === op.to.column);
      const stay = column?.pieces.slice(0, op.to.index).filter((one) => !op.pieces.includes(one.id)).length ?? 0;
      const others = op.pieces.reduce(withoutPiece, layout);
      return moved.reduce(
        (now, piece, place) => putPiece(now, piece, { column: op.to.column, index: stay + place }),
        others,
      );
    }
    case "copy_piece": {
      const piece = pieceIn(layout, op.piece);
      return piece ? putPiece(layout, { ...piece, id: op.copy }, op.to) : layout;
    }
    case "add_band":
      return { ...layout, bands: layout.bands.toSpliced(op.index, 0, op.band) };
    case "remove_band":
      return { ...layout, bands: layout.bands.filter((band) => band.id !== op.band) };
    case "move_band": {
      const band = layout.bands.find((one) => one.id === op.band);
      const others = layout.bands.filter((one) => one !== band);
      return band ? { ...layout, bands: others.toSpliced(op.index, 0, band) } : layout;
    }
    case "replace_band":
      return { ...layout, bands: layout.bands.map((band) => (band.id === op.band.id ? op.band : band)) };
    case "set":
      return withValue(layout, op.target, (values) => ({
        ...values,
        [op.device]: valuesWith(values?.[op.device], op.setting, op.value ?? null),
      }));
    case "set_columns": {
      const columns = (band: Band): Column[] => {
        const kept = op.columns.map((shape) => ({
          ...shape,
          pieces: band.columns.find((column) => column.id === shape.id)?.pieces ?? [],
        }));
        const ids = new Set(op.columns.map((shape) => shape.id));
        const homeless = band.columns.filter((column) => !ids.has(column.id)).flatMap((column) => column.pieces);
        return kept.map((column, place) =>
          place === kept.length - 1 ? { ...column, pieces: [...column.pieces, ...homeless] } : column,
        );
      };
      return {
        ...layout,
        bands: layout.bands.map((band) => (band.id === op.band ? { ...band, columns: columns(band) } : band)),
      };
    }
    case "set_frame":
      return { ...layout, frame: op.frame };
    case "many":
      return op.ops.reduce(withOp, layout);
    case "lay":
      return op.layout;
    case "depart":
    case "rename":
      return layout;
  }
}

function pieceIn(layout: Layout, id: string): Piece | undefined {
  return layout.bands.flatMap((band) => band.columns.flatMap((column) => column.pieces)).find((one) => one.id === id);
}

function withColumns(layout: Layout, change: (column: Column) => Column): Layout {
  return { ...layout, bands: layout.bands.map((band) => ({ ...band, columns: band.columns.map(change) })) };
}
function putPiece(layout: Layout, piece: Piece, at: { column: string; index: number }): Layout {
  return withColumns(layout, (column) =>
    column.id === at.column ? { ...column, pieces: column.pieces.toSpliced(at.index, 0, piece) } : column,
  );
}
function withoutPiece(layout: Layout, id: string): Layout {
  return withColumns(layout, (column) =>
    column.pieces.some((piece) => piece.id === id)
      ? { ...column, pieces: column.pieces.filter((piece) => piece.id !== id) }
      : column,
  );
}

type Values = Piece["values"];
function withValue(layout: Layout, target: Target, change: (values: Values) => Values): Layout {
  const [piece, inBand] = [pieceOf(target), bandOf(target)];
  const changed = <T extends { values?: Values }>(one: T): T => {
    const values = change(one.values);
    return values === undefined ? one : { ...one, values };
  };
  if (piece === null)
    return { ...layout, bands: layout.bands.map((band) => (band.id === inBand ? changed(band) : band)) };
  return withColumns(layout, (column) =>
    column.pieces.some((one) => one.id === piece)
      ? { ...column, pieces: column.pieces.map((one) => (one.id === piece ? changed(one) : one)) }
      : column,
  );
}
function valuesWith(values: Record<string, Value> | undefined, key: string, value: Value | null) {
  const others = Object.entries(values ?? {}).filter(([name]) => name !== key);
  return Object.fromEntries(value === null ? others : [...others, [key, value]]);
}
