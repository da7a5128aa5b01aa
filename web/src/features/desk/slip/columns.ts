import { say } from "../../../words";

/** How the columns of a band can share its twelve parts, in words; any other way is typed as numbers. */
export const ARRANGED: { value: number[]; says: string }[] = [
  { value: [12], says: say("columns-one-whole-width") },
  { value: [6, 6], says: say("columns-six-six") },
  { value: [7, 5], says: say("columns-seven-five") },
  { value: [5, 7], says: say("columns-five-seven") },
  { value: [8, 4], says: say("columns-eight-four") },
  { value: [4, 8], says: say("columns-four-eight") },
  { value: [9, 3], says: say("columns-nine-three") },
  { value: [3, 9], says: say("columns-three-nine") },
  { value: [4, 4, 4], says: say("columns-three-alike") },
  { value: [3, 6, 3], says: say("columns-three-six-three") },
  { value: [3, 3, 3, 3], says: say("columns-four-alike") },
];

/** The widths in what was typed: `7 5`, `7 + 5`, `3,6,3`. */
export function columnsIn(text: string): number[] | null {
  const widths = text.match(/\d+/g)?.map(Number) ?? [];
  return widths.length > 0 ? widths : null;
}
