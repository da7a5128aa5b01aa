import type { Asked, Entry, Table } from "./entries";

/** A choice that is made: the places of an option and of its value, and the value's handle. */
export interface Pick {
  option: number;
  place: number;
  value: string;
}

/** What one chose by an input or a list; nothing where it is no choice, or the choice of none. */
export function pickOf(input: HTMLInputElement | HTMLSelectElement): Pick | null {
  const { option } = input.dataset;
  const chosen = input instanceof HTMLSelectElement ? input.selectedOptions[0] : input;
  const place = chosen?.dataset.value;
  if (option === undefined || place === undefined || !chosen) return null;
  return { option: Number(option), place: Number(place), value: chosen.value };
}

export interface Parts {
  table: Table;
  /** What is asked for besides the choice, as it is now. */
  asked: () => Asked;
  /** Whether prices are others than those that the page carries. */
  others: () => boolean;
  /** Asks the shop for an entry; fails where it isn't had. */
  ask: (query: string) => Promise<Entry>;
  pause: (ms: number) => Promise<void>;
  /** Shows an entry; `picked` are the places of the options that were chosen since the last one, the newest last. */
  show: (entry: Entry, before: Entry | undefined, picked: number[]) => void;
  /** Tells that the shop can't be asked now, or can again. */
  late: (is: boolean) => void;
}

/** Milliseconds between two questions while the shop doesn't answer; the last one again and again. */
const PAUSES = [5_000, 10_000, 30_000];

/**
 * What a shopper has chosen. Each choice builds on the one before it, also where that isn't answered yet: what isn't
 * answered goes along with the next question, in its order, and the shop works out what comes of all of them. One
 * question is asked at a time. Where no answer comes all stays as it is, and is asked for again after a while.
 */
export class Choice {
  /** What is shown, and from which choices build on. */
  private known: Entry | undefined;
  private base: string;
  private picks: Pick[] = [];
  /** What is on the page, and the options that were chosen since. */
  private shown: Entry | undefined;
  private picked: number[] = [];
  private asking = false;
  /** What the last answer was for; another question is asked where that has changed. */
  private answered: string;
  private failures = 0;

  constructor(private readonly parts: Parts) {
    this.base = parts.table.start;
    this.known = this.shown = parts.table.entries[this.base];
    this.answered = parts.others() ? "" : this.wanted();
  }

  /** What was answered last. */
  get entry(): Entry | undefined {
    return this.known;
  }

  pick(one: Pick): void {
    this.picks.push(one);
    this.goOn();
  }
  /** Chooses something else as a whole, from nothing on: a line of a list, or nothing at all. */
  choose(key: string): void {
    [this.base, this.picks] = [key, []];
    this.known = this.parts.table.entries[key];
    this.goOn();
  }
  /** The number, the plan or what is written onto it may have changed; what is in the cart, too, where it is looked anew. */
  look(anew = false): void {
    if (anew && this.parts.others()) this.answered = "";
    this.goOn();
  }

  private wanted(): string {
    const picks = this.picks.map((one) => `then=${this.parts.table.options[one.option] ?? ""}.${one.value}`);
    return [this.base, ...picks, this.extras()].filter((part) => part !== "").join("&");
  }
  private extras(): string {
    const { quantity, plan, written } = this.parts.asked();
    return `quantity=${quantity}&plan=${plan}&written=${written ? 1 : 0}`;
  }

  private goOn(): void {
    if (!this.asking && this.open() && !this.fromPage()) void this.ask();
  }

  /** Whether something is wanted that isn't shown. */
  private open(): boolean {
    return this.wanted() !== this.answered;
  }

  /** What the page carries by itself, where it was made for what is asked. */
  private fromPage(): boolean {
    const { table, asked, others } = this.parts;
    const { quantity, plan, written } = asked();
    const same = quantity === table.quantity && plan === table.plan && written === table.written;
    if (!same || others()) return false;
    let entry = table.entries[this.base];
    for (const { option, place } of this.picks) {
      const to = entry?.values[option]?.[place]?.[1];
      entry = to === undefined ? undefined : table.entries[to];
    }
    if (entry) this.take(entry, this.picks.length, this.extras());
    return entry !== undefined;
  }

  private async ask(): Promise<void> {
    this.asking = true;
    while (this.open() && !this.fromPage()) {
      const [wanted, base, count, extras] = [this.wanted(), this.base, this.picks.length, this.extras()];
      try {
        const entry = await this.parts.ask(wanted);
        if (this.failures > 0) this.parts.late(false);
        this.failures = 0;
        // Something else was chosen as a whole meanwhile.
        if (base === this.base) this.take(entry, count, extras);
      } catch {
        this.parts.late(true);
        const pause = PAUSES[Math.min(this.failures, PAUSES.length - 1)] ?? 0;
        this.failures += 1;
        await this.parts.pause(pause);
      }
    }
    this.asking = false;
  }

  private take(entry: Entry, count: number, extras: string): void {
    this.picked.push(...this.picks.slice(0, count).map((one) => one.option));
    this.picks = this.picks.slice(count);
    [this.base, this.known] = [entry.key, entry];
    this.answered = [entry.key, extras].filter((part) => part !== "").join("&");
    // What was chosen since isn't shown as if it weren't.
    if (this.picks.length > 0) return;
    this.parts.show(entry, this.shown, this.picked);
    [this.shown, this.picked] = [entry, []];
  }
}
