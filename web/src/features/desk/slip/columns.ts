/** How the columns of a band can share its twelve parts, in words; any other way is typed as numbers. */
export const ARRANGED: { value: number[]; says: string }[] = [
  { value: [12], says: "one, the whole width" },
  { value: [6, 6], says: "six and six" },
  { value: [7, 5], says: "seven and five" },
  { value: [5, 7], says: "five and seven" },
  { value: [8, 4], says: "eight and four" },
  { value: [4, 8], says: "four and eight" },
  { value: [9, 3], says: "nine and three" },
  { value: [3, 9], says: "three and nine" },
  { value: [4, 4, 4], says: "three alike" },
  { value: [3, 6, 3], says: "three, six and three" },
  { value: [3, 3, 3, 3], says: "four alike" },
];

/** The widths in what was typed: `7 5`, `7 + 5`, `3,6,3`. */
export function columnsIn(text: string): number[] | null {
  const widths = text.match(/\d+/g)?.map(Number) ?? [];
  return widths.length > 0 ? widths : null;
}
