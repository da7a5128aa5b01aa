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
  /** Whether what is in the cart can change prices here. */
  cart: boolean;
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
  const known = quantity === 1 && !cartCounts(table) ? table.entries[key] : undefined;
  if (known) return known;
  const join = key === "" ? "" : "&";
  const answer = await fetch(`${table.ask}?${key}${join}quantity=${quantity}`);
  if (!answer.ok) throw new Error(`the shop answered ${answer.status}`);
  return (await answer.json()) as Entry;
}

/** How many pieces the cart holds; the till writes it into a cookie, so that pages can be kept ready for everyone. */
export const cartCount = (): string => /(?:^|; )cart_count=(\d+)/.exec(document.cookie)?.[1] ?? "0";

/** Whether prices are others than those that the page carries, which are those for an empty cart. */
export const cartCounts = (table: Table): boolean => table.cart && cartCount() !== "0";
