/** What of a variant is typed in the grid, from left to right. */
export const FIELDS = ["sku", "price", "old_price", "stock", "measure"] as const;
export type Field = (typeof FIELDS)[number];

/** A cell by its line and what stands in it. */
export interface Cell {
  place: number;
  field: Field;
}

export function cellOf(of: EventTarget | null): Cell | null {
  const text = of instanceof HTMLElement ? of.dataset.cell : undefined;
  const [place, name] = text?.split(":") ?? [];
  const field = FIELDS.find((one) => one === name);
  return place !== undefined && field ? { place: Number(place), field } : null;
}

/** Where a key leads from a cell: Enter and the arrows up and down along a column; those to the sides where the text
 * ends there. */
export function next({ place, field }: Cell, event: KeyboardEvent): Cell | null {
  if (event.ctrlKey || event.metaKey || event.altKey) return null;
  const { value, selectionStart, selectionEnd } = event.target as HTMLInputElement;
  const all = selectionStart === 0 && selectionEnd === value.length;
  const beside = (step: -1 | 1): Cell | null => {
    const other = FIELDS[FIELDS.indexOf(field) + step];
    return other ? { place, field: other } : null;
  };
  switch (event.key) {
    case "Enter":
      return { place: place + (event.shiftKey ? -1 : 1), field };
    case "ArrowDown":
      return { place: place + 1, field };
    case "ArrowUp":
      return { place: place - 1, field };
    case "ArrowLeft":
      return all || selectionEnd === 0 ? beside(-1) : null;
    case "ArrowRight":
      return all || selectionStart === value.length ? beside(1) : null;
    default:
      return null;
  }
}

/** A block of cells as spreadsheets copy it: lines, and in each the cells parted by tabs. None where it is one word. */
export function block(text: string): string[][] | null {
  const lines = text.replace(/\r\n?/g, "\n").replace(/\n$/, "").split("\n");
  if (lines.length === 1 && !text.includes("\t")) return null;
  return lines.map((line) => line.split("\t").map((cell) => cell.trim()));
}

/** What a block sets from a cell on, line by line; what reaches over the edges is left out. */
export function filled(
  cells: string[][],
  { place, field }: Cell,
): { place: number; set: Partial<Record<Field, string>> }[] {
  const first = FIELDS.indexOf(field);
  return cells.map((line, down) => {
    const set = Object.fromEntries(
      line.flatMap((text, right) => {
        const to = FIELDS[first + right];
        return to ? [[to, text]] : [];
      }),
    );
    return { place: place + down, set };
  });
}
