import type { InjectionKey } from "vue";
import { inject } from "vue";
import type { Moves } from "./useMoves";

/** What can be done with the chosen piece, for every part of the desk. */
export const MOVES: InjectionKey<Moves> = Symbol("moves");

/** Lets the desk's clipboard work in a proof, which has events of its own. */
export interface Clipboard {
  attach: (page: Document) => void;
}
export const CLIPBOARD: InjectionKey<Clipboard> = Symbol("clipboard");

export function injectMoves(): Moves {
  const moves = inject(MOVES);
  if (!moves) throw new Error("this belongs on the desk");
  return moves;
}
