import type { InjectionKey } from "vue";
import { inject } from "vue";
import type { Moves } from "./useMoves";

/** What can be done with the chosen piece, for every part of the desk. */
export const MOVES: InjectionKey<Moves> = Symbol("moves");

export function injectMoves(): Moves {
  const moves = inject(MOVES);
  if (!moves) throw new Error("this belongs on the desk");
  return moves;
}
