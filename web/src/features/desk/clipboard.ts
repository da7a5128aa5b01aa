import { newId } from "./order";
import type { Band, Piece } from "./types";

/** What is on the clipboard after copying on a desk: JSON, described in docs/clipboard.md. */
export interface Clip {
  compagina: 1;
  pieces?: Piece[];
  bands?: Band[];
}

export function clipText(clip: Omit<Clip, "compagina">): string {
  return JSON.stringify({ compagina: 1, ...clip }, null, 1);
}

/** What a text on the clipboard holds, or nothing where it isn't ours. The server checks every value. */
export function readClip(text: string): Clip | null {
  try {
    const clip = JSON.parse(text) as Partial<Clip>;
    const sound = clip.compagina === 1 && (clip.pieces ?? []).every(isPiece) && (clip.bands ?? []).every(isBand);
    return sound ? (clip as Clip) : null;
  } catch {
    return null;
  }
}

function isPiece(piece: unknown): piece is Piece {
  return typeof piece === "object" && piece !== null && "kind" in piece && typeof piece.kind === "string";
}

function isBand(band: unknown): band is Band {
  return typeof band === "object" && band !== null && "columns" in band && Array.isArray(band.columns);
}

/** The same under new names, which nothing on the page has. */
export function renamed(piece: Piece): Piece {
  return { ...piece, id: newId("p"), values: piece.values ?? {} };
}

export function renamedBand(band: Band): Band {
  const columns = band.columns.map((c) => ({ ...c, id: newId("c"), pieces: c.pieces.map(renamed) }));
  return { ...band, id: newId("b"), values: band.values ?? {}, columns };
}
