import assert from "node:assert/strict";
import { test } from "node:test";
import { type Asked, Outbox, type Step, type Told } from "../src/session/outbox";
import { Clock, settle } from "./clock";

const asked = (body: string, slot = ""): Asked => ({
  thing: "template-2",
  called: "All products",
  slot,
  method: "POST",
  address: "/api/templates/2/operations",
  headers: {},
  body,
});

/** A server that takes each key once, and the browser's own store, which outlives a tab. */
class World {
  clock = new Clock();
  kept = new Map<string, Step>();
  taken: string[] = [];
  private answers = new Map<string, string>();
  /** What happens to the next sendings, one after another; then all goes well. */
  fate: ("well" | "lost_there" | "lost_back" | 502 | 401 | 422)[] = [];
  sent: string[] = [];
  full = false;
  told: Told = { waiting: 0, taken: 0, stuck: null, unkept: false };

  tab(line: string): Outbox {
    const keep = {
      put: (step: Step) =>
        this.full ? Promise.reject(new Error("full")) : Promise.resolve(this.kept.set(step.key, step)),
      drop: (key: string) => Promise.resolve(this.kept.delete(key)),
    };
    const { clock } = this;
    return new Outbox({
      line,
      keep,
      carry: (step) => this.carry(step),
      pause: clock.pause,
      now: () => clock.now,
      tell: (told) => (this.told = told),
    });
  }
  private async carry(step: Step): Promise<Response> {
    this.sent.push(step.body);
    const fate = this.fate.shift() ?? "well";
    await new Promise((go) => setImmediate(go));
    if (fate === "lost_there") throw new TypeError("cut");
    if (typeof fate === "number") return new Response(null, { status: fate });
    if (!this.answers.has(step.key)) {
      this.taken.push(step.body);
      this.answers.set(step.key, `took ${step.body}`);
    }
    if (fate === "lost_back") throw new TypeError("cut");
    return new Response(this.answers.get(step.key));
  }
}

test("steps are taken in their order, each once, and let go once they are answered", async () => {
  const world = new World();
  const outbox = world.tab("one");
  const answers = ["a", "b", "c"].map((body) => outbox.add(asked(body), "7"));
  assert.equal(world.kept.size, 3, "kept from when they are made");
  const texts = await Promise.all(answers.map(async (answer) => (await answer).text()));
  assert.deepEqual(texts, ["took a", "took b", "took c"]);
  await settle();
  assert.deepEqual(world.taken, ["a", "b", "c"]);
  assert.deepEqual([world.kept.size, world.told.waiting, world.told.stuck], [0, 0, null]);
  assert.equal(world.told.taken, 3);
});

test("what isn't answered is sent again with growing pauses, and waits are told", async () => {
  const world = new World();
  world.fate = ["lost_there", 502, "lost_back"];
  const outbox = world.tab("one");
  const answer = outbox.add(asked("a"), "7");
  void outbox.add(asked("b"), "7");
  await world.clock.pass(299);
  assert.deepEqual([world.sent.length, world.told.waiting, world.told.stuck], [1, 2, "offline"]);
  await world.clock.pass(1);
  assert.equal(world.sent.length, 2, "after 300 ms");
  await world.clock.pass(999);
  assert.equal(world.sent.length, 2);
  await world.clock.pass(3001);
  assert.equal(await (await answer).text(), "took a", "taken before, though its answer was lost");
  assert.deepEqual(world.sent, ["a", "a", "a", "a", "b"]);
  assert.deepEqual(world.taken, ["a", "b"], "once each");
  assert.equal(world.told.stuck, null);
});

test("what is refused is answered, and the next go on", async () => {
  const world = new World();
  world.fate = [422];
  const outbox = world.tab("one");
  const [first, second] = [outbox.add(asked("a"), "7"), outbox.add(asked("b"), "7")];
  assert.equal((await first).status, 422);
  assert.equal((await second).status, 200);
  await settle();
  assert.equal(world.kept.size, 0);
});

test("while the session is over nothing is sent until somebody has signed in", async () => {
  const world = new World();
  world.fate = [401];
  const outbox = world.tab("one");
  const answer = outbox.add(asked("a"), "7");
  void outbox.add(asked("b"), "7");
  await world.clock.pass(60_000);
  assert.deepEqual([world.sent.length, world.told.stuck, world.told.waiting], [1, "signed_out", 2]);
  outbox.goOn();
  assert.equal((await answer).status, 200);
  await settle();
  assert.deepEqual(world.taken, ["a", "b"]);
});

test("what a closed tab left behind is sent by another one under its own keys", async () => {
  const world = new World();
  world.fate = ["lost_back", ...Array<"lost_there">(20).fill("lost_there")];
  const closed = world.tab("one");
  for (const body of ["a", "b", "c"]) void closed.add(asked(body), "7");
  await world.clock.pass(1000);
  assert.equal(world.kept.size, 3);
  world.fate = [];
  const left = [...world.kept.values()].sort((a, b) => a.number - b.number);
  const answers = world.tab("two").adopt(left);
  await Promise.all(answers);
  await settle();
  assert.deepEqual(world.taken, ["a", "b", "c"], "in order, none twice");
  assert.equal(world.kept.size, 0);
});

test("of what is typed into one place only the newest waits, and what was sent is never changed", async () => {
  const world = new World();
  world.fate = ["lost_there", "lost_there"];
  const outbox = world.tab("one");
  const answers = ["F", "Fl", "Fly"].map((body) => outbox.add(asked(body, "set/p9/words"), "7"));
  const other = outbox.add(asked("move"), "7");
  const later = outbox.add(asked("Fly!", "set/p9/words"), "7");
  assert.deepEqual(
    outbox.steps.map((step) => step.body),
    ["F", "Fly", "move", "Fly!"],
    "not across another step",
  );
  await world.clock.pass(2000);
  const texts = await Promise.all([...answers, other, later].map(async (answer) => (await answer).text()));
  assert.deepEqual(texts, ["took F", "took Fly", "took Fly", "took move", "took Fly!"]);
  assert.deepEqual(world.taken, ["F", "Fly", "move", "Fly!"]);
});

test("keys of a line are never used twice, however fast steps are made", () => {
  const world = new World();
  const outbox = world.tab("one");
  for (let count = 0; count < 50; count += 1) void outbox.add(asked(`${count}`), "7");
  const keys = outbox.steps.map((step) => step.key);
  assert.equal(new Set(keys).size, 50);
  assert.ok(keys.every((key) => key.startsWith("one.")));
  const numbers = outbox.steps.map((step) => step.number);
  assert.deepEqual(
    numbers,
    [...numbers].sort((a, b) => a - b),
  );
});

test("where nothing can be kept that is told, so that leaving is guarded", async () => {
  const world = new World();
  world.full = true;
  world.fate = ["lost_there"];
  const outbox = world.tab("one");
  const answer = outbox.add(asked("a"), "7");
  await world.clock.pass(100);
  assert.equal(world.told.unkept, true);
  await world.clock.pass(300);
  assert.equal((await answer).status, 200, "it is sent all the same");
  assert.equal(world.told.unkept, false);
});

/** A generator of numbers that gives the same ones each time (Numerical Recipes, a linear congruential one). */
function dice(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

test("whatever is lost and whichever tab is closed, every step is taken once and in order", async () => {
  for (let seed = 1; seed <= 200; seed += 1) {
    const [world, roll] = [new World(), dice(seed)];
    const fates = ["well", "well", "lost_there", "lost_back", 502] as const;
    world.fate = Array.from({ length: 60 }, () => fates[roll(fates.length)] ?? "well");
    const made: string[] = [];
    let tab = world.tab("tab-0");
    for (let tabs = 0; tabs < 3; tabs += 1) {
      for (let steps = roll(8); steps > 0; steps -= 1) {
        made.push(`${tabs}-${steps}`);
        void tab.add(asked(`${tabs}-${steps}`), "7");
        await world.clock.pass(roll(2000));
      }
      // The tab is closed: what it was about to send never leaves, or arrives just now.
      const gone = tab as unknown as { parts: { carry: () => Promise<never> } };
      gone.parts.carry = () => new Promise(() => undefined);
      await settle();
      const left = [...world.kept.values()].sort((a, b) => a.number - b.number);
      tab = world.tab(`tab-${tabs + 1}`);
      void tab.adopt(left);
    }
    await world.clock.pass(600_000);
    assert.deepEqual(world.taken, made, `seed ${seed}`);
    assert.equal(world.kept.size, 0, `seed ${seed}`);
  }
});
