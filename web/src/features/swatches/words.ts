import type { BookOption, BookValue, SwatchFile, Way } from "./useBook";

/** A swatch has at most so many colours. */
export const MOST_COLOURS = 4;

export const WAYS: { value: Way; says: string }[] = [
  { value: "swatches", says: "Swatches" },
  { value: "buttons", says: "Buttons" },
  { value: "list", says: "Drop-down list" },
  { value: "radios", says: "Radio list" },
];

/** Where a shown swatch comes from. */
export const FROM: Record<BookValue["from"], string> = {
  product: "the product's own",
  book: "set here",
  palette: "the palette's colour",
  file: "a file of its name",
  variant: "its variants' pictures",
  text: "its text",
};

export const EYES: Record<BookOption["alike"][number]["eyes"], string> = {
  most: "to most eyes",
  no_red: "to eyes that see no red",
  no_green: "to eyes that see no green",
  no_blue: "to eyes that see no blue",
};

/** Why a file is only nearly right. */
export function nearness(file: Extract<SwatchFile, { how: "near" }>): string {
  const { near } = file;
  if (near.why === "spelling") return near.letters === 1 ? "one letter differs" : `${near.letters} letters differ`;
  return near.why === "more_words" ? `its name also says “${near.more}”` : `its name lacks “${near.missing}”`;
}

/** Names in a row; of many only the first, with how many there are. */
export function named(names: string[]): string {
  return names.length > 6 ? `${names.slice(0, 5).join(", ")} and ${names.length - 5} more` : names.join(", ");
}
