import { computed, getCurrentScope, onScopeDispose, ref, shallowRef } from "vue";
import type { Answer, ApiError } from "../api/client";
import type { Heard, Said } from "./feed";
import { typingEnds } from "./typing";
import { useFeed } from "./useFeed";
import { type On, useOutbox } from "./useOutbox";

/**
 * What goes along with a step: what was seen as it was made, so that nothing is overwritten that its maker didn't see,
 * and its way through the outbox.
 */
export interface Send extends ReturnType<typeof asSeen> {
  fetch: (request: Request) => Promise<Response>;
}
/** What was looked at, to be sent along with what is no step. */
export const asSeen = (seen: string | undefined) => ({ headers: seen === undefined ? {} : { "x-seen": seen } });
export type Call<V> = (send: Send) => Promise<Answer<V>>;
/** A step that wasn't taken because somebody else changed the same; its maker chooses. */
export type Overtaken = { told: ApiError; about: unknown; mine: () => unknown; theirs: () => unknown };
/** How a thing looks once a step on it is taken. */
export type Shows<V> = (now: V) => V;
/** Along the steps that were taken. */
export type Turn = "undo" | "redo";

/** After so long what was told is read again, where nobody answered. */
const HEARD_AGAIN_MS = [1000, 3000, 10_000];

interface Waiting<V> {
  thing: string;
  shows: Shows<V> | Turn | undefined;
  about: unknown;
}
/** How a step that waits is shown, and what it does, for whoever tells of it. */
interface Told<V> {
  shows?: Shows<V> | Turn | undefined;
  about?: unknown;
  /** What of the thing is set, where a newer step takes the place of one that wasn't sent yet. */
  slot?: string | undefined;
}

/**
 * A thing as the server has it, with the steps on it that wait for their answers: it is shown as if they were taken.
 * Each step goes into the outbox as it is made, and its answer is the thing as it is then. What was asked before a step
 * was answered says nothing about it and isn't shown. A step on something that somebody else changed meanwhile isn't
 * taken: the thing is read anew, and it is told until its maker chose.
 */
export function useSteps<V extends object>(
  on: () => Pick<On, "thing" | "called">,
  /** May give a beginning of the thing, which is shown until all of it is there. */
  read: (soon: (beginning: V) => void) => Promise<Answer<V>>,
  show?: (now: V) => unknown,
  /** Reads what steps change and nothing besides, where that is less. */
  readChanged = read,
  /** Whether what is typed is kept letter by letter. */
  atOnce = false,
  /** Makes the whole thing of what was told, where that may be only what became otherwise. */
  into: (now: V, told: V) => V = (_, told) => told,
) {
  const outbox = useOutbox();
  const server = shallowRef<V | null>(null);
  const waiting = shallowRef<Waiting<V>[]>([]);
  /** Those that are shown: not taken back by one that waits too. */
  const stands = computed(() => {
    const { thing } = on();
    return standing(waiting.value.filter((step) => step.thing === thing));
  });
  const view = computed<V | null>(() => {
    if (!server.value) return null;
    return stands.value.reduce((now, { shows }) => (typeof shows === "function" ? shows(now) : now), server.value);
  });
  /** What the steps that wait are about. */
  const abouts = computed(() => stands.value.map((step) => step.about));
  const problem = ref<ApiError | null>(null);
  /** The first that was overtaken and isn't chosen yet. */
  const overtaken = shallowRef<Overtaken | null>(null);
  let others: Overtaken[] = [];
  /** Steps that aren't answered yet. */
  const pending = computed(() => waiting.value.length);
  let disposed = false;
  const unhear = useFeed().hear((told) => void hear(told));
  if (getCurrentScope())
    onScopeDispose(() => {
      disposed = true;
      unhear();
    });

  /** Counts the answers to steps, and what is asked besides. */
  let answers = 0;
  let asked = 0;
  /** So often it is being read as a whole. */
  let reading = 0;

  async function load(): Promise<boolean> {
    reading += 1;
    const done = await readWhole();
    reading -= 1;
    catchUp();
    return done;
  }
  async function readWhole(): Promise<boolean> {
    const mine = (asked += 1);
    for (;;) {
      const before = answers;
      const { data, error } = await read((beginning) => {
        if (!disposed && mine === asked && !server.value) server.value = beginning;
      });
      if (disposed || mine !== asked) return data !== undefined;
      // Older than what a step was answered with meanwhile.
      if (before !== answers) continue;
      problem.value = error ?? null;
      if (data) await take(data);
      return data !== undefined;
    }
  }
  /** Something else told the thing as it is now. */
  function put(now: V | null): void {
    answers += 1;
    server.value = now;
    catchUp();
  }
  async function take(told: V): Promise<void> {
    const now = server.value ? into(server.value, told) : told;
    server.value = now;
    catchUp();
    await show?.(now);
  }
  /** What was heard before the thing was there: it may have been read before that. */
  const early: Heard[] = [];
  function catchUp(): void {
    if (!server.value || reading) return;
    early.splice(0).forEach((told) => void hear(told));
  }

  function send(slot = ""): Send {
    const { thing, called } = on();
    const gone = (): boolean => disposed || on().thing !== thing;
    return {
      ...asSeen(seenOf(server.value)),
      fetch: outbox.through({ thing, called, slot, gone }),
    };
  }

  /** The end of what is done with the last answer, in turn. */
  let tail: Promise<unknown> = Promise.resolve();

  /** Lets a step wait for its answer, and does what is to be done with that in turn. */
  function wait<T>(answer: Promise<T>, { shows, about }: Told<V>, done: (answer: T) => Promise<boolean>) {
    const one = { thing: on().thing, shows, about };
    waiting.value = [...waiting.value, one];
    const turn = Promise.all([answer, tail]).then(([came]) => {
      answers += 1;
      // What it shows is let go as its answer is taken, so that nothing is shown twice.
      waiting.value = waiting.value.filter((other) => other !== one);
      const here = !disposed && one.thing === on().thing;
      return here ? done(came) : false;
    });
    tail = turn.catch(() => undefined);
    return turn;
  }

  /** Takes a step, on what is seen as it is made; tells whether it was taken. */
  function step(call: Call<V>, told: Told<V> = {}, blind = false): Promise<boolean> {
    const way = send(told.slot);
    return wait(call(blind ? { ...way, ...asSeen(undefined) } : way), told, async ({ data, error }) => {
      if (error?.code === "taken_before") return load();
      const late = error?.code === "overtaken" || error?.code === "clash";
      problem.value = late ? null : (error ?? null);
      if (data) await take(data);
      else if (late) {
        await reread();
        tell(error, call, told);
      } else if (error?.code === "revision_mismatch") await reread();
      return data !== undefined;
    });
  }
  /** Tells whether it could be read, and whether a step was answered meanwhile: then what was read isn't shown. */
  async function reread(by = read): Promise<"read" | "late" | "unread"> {
    const [{ thing }, before] = [on(), answers];
    const { data } = await by(() => undefined);
    if (!data) return "unread";
    if (disposed || thing !== on().thing) return "read";
    if (before !== answers) return "late";
    await take(data);
    return "read";
  }
  /** Others have changed things: what is shown here is read anew, unless it is that new already. */
  async function hear(told: Heard): Promise<void> {
    if (!server.value || reading) return void early.push(told);
    const { anew, said } = told;
    const all = anew
      ? [null]
      : said.filter(({ thing }) => ["everything", knownOf(on().thing, server.value).thing].includes(thing));
    if (all.length === 0) return;
    if (!atOnce) await typingEnds();
    const isNews = (one: Said | null): boolean =>
      typeof one?.revision !== "number" || one.revision > knownOf(on().thing, server.value).revision;
    for (let tries = 0; !disposed;) {
      // One's own steps are answered first: they tell as much, unless they are refused.
      await tail;
      const news = all.filter(isNews);
      if (news.length === 0) return;
      const by = news.every((one) => typeof one?.revision === "number") ? readChanged : read;
      const how = await reread(by);
      if (how === "read") return;
      if (how === "late") continue;
      const pause = HEARD_AGAIN_MS[tries++];
      if (pause === undefined) return;
      await new Promise((go) => setTimeout(go, pause));
    }
  }
  function tell(why: ApiError, call: Call<V>, told: Told<V>): void {
    const next = (): void => {
      others = others.filter((other) => other !== one);
      overtaken.value = others[0] ?? null;
    };
    const mine = (): Promise<boolean> => {
      next();
      return step(call, told, true);
    };
    const one: Overtaken = { told: why, about: told.about, mine, theirs: next };
    others = [...others, one];
    overtaken.value = others[0] ?? null;
  }

  /** Takes a step that isn't answered with the thing, and reads that. */
  const stepThenRead = (call: Call<unknown>, turn?: Turn): Promise<boolean> =>
    wait(call(send()), { shows: turn }, async ({ error }) => {
      const taken = error === undefined || error.code === "taken_before";
      if (taken) return load();
      await reread();
      problem.value = error;
      return false;
    });

  /** Does something that is no step once all steps are answered; tells whether it was done. */
  async function turn(first: () => Promise<Answer<unknown>>): Promise<boolean> {
    await tail;
    const { error } = await first();
    problem.value = error ?? null;
    return error === undefined;
  }
  /** The same, and reads the thing anew. */
  const after = async (first: () => Promise<Answer<unknown>>) => (await turn(first)) && (await load());

  return { view, server, abouts, problem, overtaken, pending, step, stepThenRead, load, turn, after, put };
}

/** What stands of steps of which some take back or make again those before them. */
function standing<V>(steps: Waiting<V>[]): Waiting<V>[] {
  const done: Waiting<V>[] = [];
  const undone: Waiting<V>[] = [];
  for (const step of steps) {
    if (step.shows === undefined) continue;
    if (step.shows === "undo" || step.shows === "redo") {
      const [from, to] = step.shows === "undo" ? [done, undone] : [undone, done];
      const last = from.pop();
      if (last) to.push(last);
    } else {
      done.push(step);
      undone.length = 0;
    }
  }
  return done;
}

function seenOf(thing: object | null): string | undefined {
  return thing && "seen" in thing && typeof thing.seen === "string" ? thing.seen : undefined;
}

/** How the server calls a thing that is shown, and which revision of it is. */
function knownOf(thing: string, now: object | null): { thing: string; revision: number } {
  const [seen, step] = seenOf(now)?.split("@") ?? [];
  if (seen !== undefined) return { thing: seen, revision: Number(step) };
  const revision = now && "revision" in now && typeof now.revision === "number" ? now.revision : 0;
  return { thing: thing.split("/")[0] ?? thing, revision };
}
