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
  /** For how many, by which plan (0 for once) and whether with a text of the shopper's the entries are. */
  quantity: number;
  plan: number;
  written: boolean;
  /** The options by their handles, in their order. */
  options: string[];
  /** What is said while the shop doesn't answer. */
  late: string;
  /** The words for values that can't be had. */
  states: Record<"sold_out" | "not_made", string>;
  entries: Record<string, Entry>;
}

/** What is asked for besides the choice. */
export type Asked = Pick<Table, "quantity" | "plan" | "written">;

/** The page's own entries, or nothing on pages without a product. */
export function readTable(): Table | null {
  const text = document.getElementById("offers")?.textContent;
  return text ? (JSON.parse(text) as Table) : null;
}

/** Milliseconds after which no answer is waited for any more. */
const MOST_MS = 10_000;

/** An entry that the page doesn't carry. */
export async function entryOf(table: Table, query: string): Promise<Entry> {
  const answer = await fetch(`${table.ask}?${query}`, { signal: AbortSignal.timeout(MOST_MS) });
  if (!answer.ok) throw new Error(`the shop answered ${answer.status}`);
  return (await answer.json()) as Entry;
}

/** How many pieces the cart holds; the till writes it into a cookie, so that pages can be kept ready for everyone. */
export const cartCount = (): string => /(?:^|; )cart_count=(\d+)/.exec(document.cookie)?.[1] ?? "0";

/** Whether prices are others than those that the page carries, which are those for an empty cart. */
export const cartCounts = (table: Table): boolean => table.cart && cartCount() !== "0";
