/** What the press puts into the page for each selection that can be reached. */
export type ValueState = "open" | "sold_out" | "not_made";

export interface Entry {
  key: string;
  /** Text by slot; an empty one hides its place. */
  say: Record<string, string>;
  buy: "ready" | "choose" | "off";
  /** Places of the pictures to show, first things first. */
  pictures: number[];
  chosen: (number | null)[];
  /** `[option][value]`: its state, and the key to which picking it leads. */
  values: [ValueState, string][][];
}

export interface Table {
  start: string;
  ask: string;
  /** The words for values that can't be had. */
  states: Record<"sold_out" | "not_made", string>;
  entries: Record<string, Entry>;
}

/** The page's own entries, or nothing on pages without a product. */
export function readTable(): Table | null {
  const text = document.getElementById("offers")?.textContent;
  return text ? (JSON.parse(text) as Table) : null;
}

/** The entry of a selection: from the page, or from the server where the page doesn't carry it. */
export async function entryOf(table: Table, key: string, quantity: number): Promise<Entry> {
  const known = quantity === 1 ? table.entries[key] : undefined;
  if (known) return known;
  const join = key === "" ? "" : "&";
  const answer = await fetch(`${table.ask}?${key}${join}quantity=${quantity}`);
  if (!answer.ok) throw new Error(`the shop answered ${answer.status}`);
  return (await answer.json()) as Entry;
}
