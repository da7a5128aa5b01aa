import { type Ref, shallowRef } from "vue";
import { api, ask } from "../api/client";

/** A colour that has a name. */
interface Named {
  value: string;
  says: string;
  colour: string;
}
const kept = shallowRef<Named[]>([]);

/** The shop's palette, as colours to pick from; asked for anew whenever somebody is about to pick. */
export function usePalette(): Ref<Named[]> {
  void ask(api.GET("/api/palette")).then(({ data }) => {
    if (data) kept.value = data.text.split("\n").flatMap(named);
  });
  return kept;
}
function named(line: string): Named[] {
  const [, says, colour] = /^(.+?)\s+(#[0-9a-f]{6})$/i.exec(line.trim()) ?? [];
  return says && colour ? [{ value: colour, says, colour }] : [];
}

/** A colour in what was typed, as the browser knows it: `#6B2D5C`, `6b2d5c`, `plum`, `rgb(107 45 92)`. */
export function colourIn(text: string): string | null {
  const wanted = /^[0-9a-f]{6}$/i.test(text.trim()) ? `#${text.trim()}` : text.trim();
  const brush = document.createElement("canvas").getContext("2d");
  if (!brush || !CSS.supports("color", wanted)) return null;
  brush.fillStyle = wanted;
  return /^#[0-9a-f]{6}$/.test(brush.fillStyle) ? brush.fillStyle.toUpperCase() : null;
}
