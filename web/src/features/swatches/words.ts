import type { BookOption, BookValue, SwatchFile, Way } from "./useBook";
import { say } from "../../words";

/** A swatch has at most so many colours. */
export const MOST_COLOURS = 4;

export const WAYS: { value: Way; says: string }[] = [
  { value: "swatches", says: say("words-swatches") },
  { value: "buttons", says: say("words-buttons") },
  { value: "list", says: say("words-drop-down-list") },
  { value: "radios", says: say("words-radio-list") },
];

/** Where a shown swatch comes from. */
export const FROM: Record<BookValue["from"], string> = {
  product: say("words-products-own"),
  book: say("words-set-here"),
  palette: say("words-palettes-colour"),
  file: say("words-file-name"),
  variant: say("words-variants-pictures"),
  text: say("words-text"),
};

export const EYES: Record<BookOption["alike"][number]["eyes"], string> = {
  most: say("words-most-eyes"),
  no_red: say("words-eyes-see-no-red"),
  no_green: say("words-eyes-see-no-green"),
  no_blue: say("words-eyes-see-no-blue"),
};

/** Why a file is only nearly right. */
export function nearness(file: Extract<SwatchFile, { how: "near" }>): string {
  const { near } = file;
  if (near.why === "spelling") return say("words-letters-differ", { letters: near.letters });
  return near.why === "more_words"
    ? say("words-name-also-says", { more: near.more })
    : say("words-name-lacks", { missing: near.missing });
}

/** Names in a row; of many only the first, with how many there are. */
export function named(names: string[]): string {
  return names.length > 6
    ? say("words-more", { names: names.slice(0, 5).join(", "), count: names.length - 5 })
    : names.join(", ");
}
