import type { Field } from "../types";

const MOST_BUTTONS = 6;
/** So many letters fit beside the name of a setting, and so many on a row of their own. */
const BESIDE = 26;
const ROW = 48;

/** Where the choices of a setting can stand side by side, so that one click sets it; none: they are a list. */
export function roomForButtons(field: Field): "beside" | "row" | null {
  if (field.shape.shape !== "choice" || field.shape.options.length > MOST_BUTTONS) return null;
  const letters = field.shape.options.reduce((sum, option) => sum + option.label.length + 2, 0);
  if (letters <= BESIDE) return "beside";
  return letters <= ROW && !field.part && field.shape.options.length <= 4 ? "row" : null;
}
