import type { InjectionKey } from "vue";
import { inject } from "vue";
import type { Target } from "./types";
import type { Moves } from "./useMoves";

/** What can be done with the chosen piece, for every part of the desk. */
export const MOVES: InjectionKey<Moves> = Symbol("moves");

/** Lets the desk's clipboard work in a proof, which has events of its own. */
export interface Clipboard {
  attach: (page: Document) => void;
}
export const CLIPBOARD: InjectionKey<Clipboard> = Symbol("clipboard");

/** What a sheet of settings does with them: a piece's on the desk, a text's in the house style. */
export type SheetMoves = Pick<Moves, "valuesOf" | "set" | "setBack" | "setColumns"> & {
  rejoin: (targets: Target[], keys: string[]) => void;
};
export const SHEET: InjectionKey<SheetMoves> = Symbol("sheet");

export function injectSheet(): SheetMoves {
  const moves = inject(SHEET);
  if (!moves) throw new Error("this belongs to what has settings");
  return moves;
}

export function injectMoves(): Moves {
  const moves = inject(MOVES);
  if (!moves) throw new Error("this belongs on the desk");
  return moves;
}
