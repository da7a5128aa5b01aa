import assert from "node:assert/strict";
import { test } from "node:test";
import { Choice, type Pick } from "../src/choice";
import type { Asked, Entry, Table } from "../src/entries";

/** Three options; of their combinations not all are made. */
const OPTIONS = ["colour", "sail", "handle"];
const VALUES = [
  ["red", "blue", "green"],
  ["s", "m", "l"],
  ["bare", "wrapped"],
];
const made = (choice: (number | null)[]): boolean => {
  const [colour, sail, handle] = choice;
  if (colour === 0 && sail === 2) return false;
  if (colour === 2 && handle === 1) return false;
  return !(sail === 0 && handle === 1 && colour === 1);
};
type Chosen = (number | null)[];

/** As the shop does it: the newest stays, and as few others as possible move. */
function pick(now: Chosen, option: number, place: number): Chosen {
  const next = now.with(option, place);
  const all: number[][] = [];
  for (let a = 0; a < 3; a += 1) for (let b = 0; b < 3; b += 1) for (let c = 0; c < 2; c += 1) all.push([a, b, c]);
  const fits = all.filter((one) => made(one) && one[option] === place);
  const moves = (one: number[]): number => next.filter((value, at) => value !== null && value !== one[at]).length;
  const best = fits.sort((a, b) => moves(a) - moves(b))[0] ?? [];
  return next.map((value, at) => (value === null ? null : (best[at] ?? null)));
}
const keyOf = (chosen: Chosen): string =>
  chosen.flatMap((value, at) => (value === null ? [] : [`${OPTIONS[at]}=${VALUES[at]?.[value]}`])).join("&");
function entryOf(chosen: Chosen, asked: Asked): Entry {
  return {
    key: keyOf(chosen),
    say: { price: `${keyOf(chosen)} × ${asked.quantity}` },
    buy: "ready",
    pictures: [],
    chosen,
    values: VALUES.map((values, option) =>
      values.map((_, place): ["open", string] => ["open", keyOf(pick(chosen, option, place))]),
    ),
  };
}
function read(query: string): Entry {
  let chosen: Chosen = [null, null, null];
  let quantity = 1;
  for (const [name, text] of new URLSearchParams(query)) {
    const option = OPTIONS.indexOf(name);
    if (option >= 0) chosen = chosen.with(option, VALUES[option]?.indexOf(text) ?? null);
    if (name === "quantity") quantity = Number(text);
    if (name === "then") {
      const [of = "", value = ""] = text.split(".");
      chosen = pick(chosen, OPTIONS.indexOf(of), VALUES[OPTIONS.indexOf(of)]?.indexOf(value) ?? 0);
    }
  }
  return entryOf(chosen, { quantity, plan: 0, written: false });
}

const START: Chosen = [0, 0, 0];
/** The page of a product: with all its entries, or only the first as large ones have it. */
function page(whole: boolean): Table {
  const plain = { quantity: 1, plan: 0, written: false };
  const entries = new Map([[keyOf(START), entryOf(START, plain)]]);
  for (let size = 0; whole && size < entries.size;) {
    size = entries.size;
    for (const entry of [...entries.values()])
      for (const [, key] of entry.values.flat()) if (!entries.has(key)) entries.set(key, read(key));
  }
  return {
    start: keyOf(START),
    ask: "",
    cart: false,
    options: OPTIONS,
    late: "later",
    states: { sold_out: "", not_made: "" },
    entries: Object.fromEntries(entries),
    ...plain,
  };
}

function dice(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}
/** Time that passes only where one waits. */
class Clock {
  now = 0;
  private timers: { at: number; go: () => void }[] = [];
  after = (ms: number): Promise<void> => new Promise((go) => this.timers.push({ at: this.now + ms, go }));
  async pass(ms: number): Promise<void> {
    const until = this.now + ms;
    for (;;) {
      for (let turn = 0; turn < 6; turn += 1) await new Promise((go) => setImmediate(go));
      const next = this.timers.sort((a, b) => a.at - b.at)[0];
      if (!next || next.at > until) break;
      this.timers.shift();
      this.now = next.at;
      next.go();
    }
    this.now = until;
  }
}
interface Seen {
  shown: string;
  asked: number[];
  late: boolean;
  quantity: number;
}
function visit(clock: Clock, table: Table, delay: () => number, fails: () => boolean, cart = false) {
  const seen: Seen = { shown: "", asked: [], late: false, quantity: 1 };
  const choice = new Choice({
    table,
    asked: () => ({ quantity: seen.quantity, plan: 0, written: false }),
    others: () => cart,
    ask: async (query) => {
      seen.asked.push(clock.now);
      await clock.after(delay());
      if (fails()) throw new Error("503");
      return read(query);
    },
    pause: clock.after,
    show: (entry) => (seen.shown = entry.say.price ?? ""),
    late: (is) => (seen.late = is),
  });
  return { seen, choice };
}
function some(roll: (below: number) => number): Pick {
  const option = roll(3);
  const place = roll(VALUES[option]?.length ?? 1);
  return { option, place, value: VALUES[option]?.[place] ?? "" };
}

test("thirty quick choices end at the last ones, however late the answers come", async () => {
  for (let seed = 1; seed <= 50; seed += 1) {
    for (const [whole, cart] of [
      [false, false],
      [true, true],
      [true, false],
    ] as const) {
      const [clock, roll] = [new Clock(), dice(seed)];
      const { seen, choice } = visit(
        clock,
        page(whole),
        () => roll(800),
        () => false,
        cart,
      );
      choice.look();
      let wanted = START;
      for (let count = 0; count < 30; count += 1) {
        const one = some(roll);
        wanted = pick(wanted, one.option, one.place);
        choice.pick(one);
        await clock.pass(100);
      }
      await clock.pass(2000);
      assert.equal(seen.shown, `${keyOf(wanted)} × 1`, `seed ${seed}`);
      assert.equal(whole && !cart, seen.asked.length === 0, "what the page carries isn't asked for");
    }
  }
});

test("while the shop doesn't answer it is asked once in five seconds at most, and all stays as it is", async () => {
  const [clock, roll] = [new Clock(), dice(7)];
  let down = true;
  const { seen, choice } = visit(
    clock,
    page(false),
    () => 50,
    () => down,
  );
  let wanted = START;
  for (let count = 0; count < 200; count += 1) {
    const one = some(roll);
    wanted = pick(wanted, one.option, one.place);
    choice.pick(one);
    seen.quantity = 1 + roll(9);
    choice.look();
    await clock.pass(300);
  }
  const gaps = seen.asked.slice(1).map((at, place) => at - (seen.asked[place] ?? 0));
  assert.ok(
    gaps.every((gap) => gap >= 5000),
    `${gaps}`,
  );
  assert.deepEqual([seen.shown, seen.late], ["", true]);
  down = false;
  await clock.pass(60_000);
  assert.deepEqual([seen.shown, seen.late], [`${keyOf(wanted)} × ${seen.quantity}`, false]);
});

test("what is chosen as a whole takes the place of choices that weren't answered", async () => {
  const clock = new Clock();
  const { seen, choice } = visit(
    clock,
    page(false),
    () => 400,
    () => false,
  );
  choice.pick({ option: 0, place: 1, value: "blue" });
  await clock.pass(100);
  choice.choose("colour=green&sail=l&handle=bare");
  choice.pick({ option: 1, place: 0, value: "s" });
  await clock.pass(3000);
  assert.equal(seen.shown, "colour=green&sail=s&handle=bare × 1");
});

test("a number that changes while it is asked for is asked for again", async () => {
  const clock = new Clock();
  const { seen, choice } = visit(
    clock,
    page(true),
    () => 400,
    () => false,
  );
  seen.quantity = 3;
  choice.look();
  await clock.pass(100);
  seen.quantity = 5;
  choice.look();
  await clock.pass(2000);
  assert.equal(seen.shown, `${keyOf(START)} × 5`);
  seen.quantity = 1;
  choice.look();
  assert.equal(seen.shown, `${keyOf(START)} × 1`, "at once: the page has it");
  assert.equal(seen.asked.length, 2);
  seen.shown = "untouched";
  choice.look();
  choice.look(true);
  assert.equal(seen.shown, "untouched", "nothing is drawn where nothing changed");
});
