import assert from "node:assert/strict";
import { test } from "node:test";
import { Feed, type Told } from "../src/session/feed";
import { Clock, settle } from "./clock";

/** A server that numbers what it says, and a line to it that can be cut or held up. */
class World {
  clock = new Clock();
  private said: string[] = [];
  private open = new Map<() => void, { at: number; told: (told: Told) => void }>();
  /** What a stream meets: it comes through, is held up on its way, or is refused. */
  line: "through" | "held_up" | "refused" = "through";
  answers = true;
  asked = 0;
  opened = 0;
  heard: string[] = [];
  anew = 0;
  feed = new Feed({
    stream: (after, told, ended) => {
      this.opened += 1;
      if (this.line === "refused") setImmediate(ended);
      if (this.line === "through") {
        this.open.set(ended, { at: Number(after ?? this.said.length), told });
        setImmediate(() => this.send(ended));
      }
      return () => this.open.delete(ended);
    },
    ask: (after) => {
      this.asked += 1;
      return Promise.resolve(this.answers ? this.since(Number(after ?? this.said.length)) : null);
    },
    pause: this.clock.pause,
    now: () => this.clock.now,
    tell: ({ anew, said }) => {
      this.anew += anew ? 1 : 0;
      this.heard.push(...said.map((one) => one.thing));
    },
  });

  say(thing: string): void {
    this.said.push(thing);
    this.signs();
  }
  /** What the server sends every now and then, so that it is seen to be there. */
  signs(): void {
    [...this.open.keys()].forEach((ended) => this.send(ended));
  }
  /** Every stream ends, as where the server goes. */
  cut(): void {
    [...this.open.keys()].forEach((ended) => ended());
  }
  get streams(): number {
    return this.open.size;
  }
  private send(ended: () => void): void {
    const one = this.open.get(ended);
    if (!one) return;
    const told = this.since(one.at);
    one.at = this.said.length;
    one.told(told);
  }
  private since(mark: number): Told {
    const said = this.said.slice(mark).map((thing) => ({ thing }));
    return { mark: String(this.said.length), anew: false, said };
  }
}

test("what is said is heard at once over one stream, and nobody asks", async () => {
  const world = new World();
  world.feed.begin();
  await settle();
  world.say("house");
  world.say("template-2");
  assert.deepEqual(world.heard, ["house", "template-2"]);
  for (let turn = 0; turn < 60; turn += 1) {
    await world.clock.pass(10_000);
    world.signs();
  }
  assert.deepEqual([world.opened, world.asked, world.streams], [1, 0, 1]);
});

test("what is said while a stream is gone is heard from the next one, once", async () => {
  const world = new World();
  world.feed.begin();
  await settle();
  world.say("one");
  world.cut();
  world.say("two");
  await world.clock.pass(5000);
  world.say("three");
  assert.deepEqual(world.heard, ["one", "two", "three"]);
  assert.equal(world.streams, 1);
});

test("where no stream comes through it is asked, and a stream is tried again ever more seldom", async () => {
  for (const line of ["held_up", "refused"] as const) {
    const world = new World();
    world.line = line;
    world.feed.begin();
    await world.clock.pass(6000);
    world.say("house");
    await world.clock.pass(2000);
    assert.deepEqual(world.heard, ["house"], line);
    await world.clock.pass(600_000);
    assert.ok(world.opened < 6, `${line}: ${world.opened} streams were tried`);
    assert.ok(world.asked > 300, `${line}: asked ${world.asked} times`);
    world.line = "through";
    await world.clock.pass(310_000);
    assert.equal(world.streams, 1, line);
    const { asked } = world;
    world.say("prices");
    await world.clock.pass(10_000);
    assert.deepEqual([world.heard, world.asked], [["house", "prices"], asked], line);
  }
});

test("a server that comes back is followed again as soon as it answers", async () => {
  const world = new World();
  world.feed.begin();
  await settle();
  [world.line, world.answers] = ["refused", false];
  world.cut();
  await world.clock.pass(30_000);
  [world.line, world.answers] = ["through", true];
  await world.clock.pass(2000);
  assert.equal(world.streams, 1);
});

test("a stream that gives no sign any more is opened anew", async () => {
  const world = new World();
  world.feed.begin();
  await world.clock.pass(35_000);
  assert.equal(world.streams, 1);
  assert.equal(world.opened, 2);
});

test("while it has ended nothing is open and nobody asks; begun again it goes on from there", async () => {
  const world = new World();
  world.feed.begin();
  await settle();
  world.feed.end();
  world.say("meanwhile");
  await world.clock.pass(60_000);
  assert.deepEqual([world.streams, world.asked, world.heard], [0, 0, []]);
  world.feed.begin();
  await settle();
  assert.deepEqual(world.heard, ["meanwhile"]);
  world.feed.begin();
  await settle();
  assert.equal(world.streams, 1, "begun twice it is one");
});
