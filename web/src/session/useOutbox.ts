import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import { type Written, carry } from "../api/client";
import { BrowserKeep } from "./keep";
import { lineOfTab, openLines } from "./line";
import { useFeed } from "./useFeed";
import { Outbox, type Step, type Told } from "./outbox";
import { say } from "../words";

/** A step that wasn't taken, and why, where no view tells it. */
export interface Refusal {
  called: string;
  why: string;
}

/** On what a step is taken, and who hears of it. */
export interface On {
  /** As `template-12`. */
  thing: string;
  /** What an owner calls it. */
  called: string;
  /** What of it is set, where a newer step takes the place of one that wasn't sent. */
  slot?: string;
  /** Whether whoever made the step is no longer there to hear. */
  gone?: () => boolean;
}

/** The server forgets what it answered after a day: what is older can't be sent again without being taken twice. */
const SAFE_MS = 23 * 60 * 60 * 1000;
/** Nobody comes back for what was left behind so long ago. */
const KEPT_MS = 30 * 24 * 60 * 60 * 1000;
/** What is kept sooner isn't told of while it is on its way. */
const SOON_MS = 300;
/** Without locks, what was made a moment ago may be another tab's. */
const MOMENT_MS = 60_000;

/** The one outbox of this tab: every step goes through it, and it tells how things stand. */
export const useOutbox = defineStore("outbox", () => {
  const told = ref<Told>({ waiting: 0, taken: 0, stuck: null, unkept: false });
  const savedAt = ref<Date | null>(null);
  const refused = ref<Refusal[]>([]);
  /** Files that are on their way: these are lost with the tab. */
  const files = ref(0);
  /** Whether something has been on its way for long enough to tell. */
  const saving = ref(false);
  /** Whether a new version was put up, of which parts of this one are gone. */
  const renewed = ref(false);
  /** What a closed tab or an earlier visit has left behind, and can still be sent. */
  const left = shallowRef<Step[]>([]);
  const keep = new BrowserKeep();
  let owner = "";
  let wake = (): void => undefined;

  const pause = (ms: number): Promise<void> =>
    new Promise((go) => {
      wake = go;
      setTimeout(go, ms);
    });
  const outbox = lineOfTab().then(
    (line) => new Outbox({ line, keep, carry, pause, now: () => Date.now(), tell: (now) => (told.value = now) }),
  );
  const goOn = async (): Promise<void> => {
    wake();
    (await outbox).goOn();
  };
  addEventListener("online", () => void goOn());

  /** Somebody has signed in: their own steps go on, and what they left behind is offered. */
  async function begin(who: string): Promise<void> {
    if (owner === who) return goOn();
    owner = who;
    const [box, all, open] = [await outbox, await keep.all().catch(() => []), await openLines()];
    const known = new Set(box.steps.map((step) => step.key));
    const now = Date.now();
    const mine = all.filter((step) => step.owner === who && !known.has(step.key));
    const { line } = box;
    const own = mine.filter((step) => step.line === line && now - step.number < SAFE_MS);
    adopt(box, own);
    const isLeft = ({ line: of, number }: Step) => (open ? !open.has(of) : now - number > MOMENT_MS);
    left.value = mine.filter((step) => step.line !== line && isLeft(step));
    all.filter((step) => now - step.number > KEPT_MS).forEach((step) => void keep.drop(step.key));
  }

  /** Sends steps of views that are gone; what is open now has not made them. */
  function adopt(box: Outbox, steps: Step[]): void {
    const answers = box.adopt(steps).map((answer, place) => hear(answer, steps[place]));
    if (answers.length) void Promise.allSettled(answers).then(useFeed().missed);
  }
  async function hear(answer: Promise<Response>, step: Step | undefined): Promise<void> {
    const came = await answer;
    if (!came.ok) await tellRefusal(step?.called ?? "", came);
  }
  async function tellRefusal(called: string, answer: Response): Promise<void> {
    const error = (await answer
      .clone()
      .json()
      .catch(() => ({}))) as { code?: string; message?: string };
    if (error.code !== "taken_before") refuse(called, error.message ?? say("outbox-server-gave-no-reason"));
  }

  /** Sends what was left behind; what is too old to be sent safely is told. */
  async function sendLeft(): Promise<void> {
    const [box, steps, now] = [await outbox, left.value, Date.now()];
    left.value = [];
    const safe = steps.filter((step) => now - step.number < SAFE_MS);
    adopt(box, safe);
    const old = steps.filter((step) => !safe.includes(step));
    const why = say("outbox-more-than-day-old");
    refused.value = [...refused.value, ...old.map(({ called }) => ({ called, why }))];
    old.forEach((step) => void keep.drop(step.key));
  }
  function letGo(): void {
    left.value.forEach((step) => void keep.drop(step.key));
    left.value = [];
  }

  /** How a step is sent: kept until it is answered, in its turn. */
  const through =
    ({ thing, called, slot = "", gone }: On) =>
    async (request: Request): Promise<Response> => {
      const { pathname, search } = new URL(request.url);
      const headers = Object.fromEntries(request.headers);
      const asked = { thing, called, slot, method: request.method, address: pathname + search, headers };
      const box = await outbox;
      const answer = await box.add({ ...asked, body: (request as Written).written }, owner);
      if (!answer.ok && gone?.()) await tellRefusal(called, answer);
      return answer;
    };

  /** Waits until nothing can be sent for now. */
  const whenStuck = (): Promise<boolean> =>
    new Promise((is) => watch(stuck, (now) => now && is(true), { immediate: true }));

  // All that was made is kept by now.
  watch(
    () => (told.value.waiting === 0 ? told.value.taken : 0),
    (taken) => taken > 0 && (savedAt.value = new Date()),
  );
  let slow: ReturnType<typeof setTimeout> | undefined;
  watch(
    () => told.value.waiting > 0,
    (some) => {
      clearTimeout(slow);
      if (some) slow = setTimeout(() => (saving.value = true), SOON_MS);
      else saving.value = false;
    },
  );
  addEventListener("vite:preloadError", () => (renewed.value = true));

  const stuck = computed(() => told.value.stuck);
  const waiting = computed(() => told.value.waiting);
  const unkept = computed(() => told.value.unkept);
  /** Tells what wasn't taken, where the view that would tell it is gone. */
  const refuse = (called: string, why: string): void => void (refused.value = [...refused.value, { called, why }]);
  const understood = (): void => void (refused.value = []);
  const state = { waiting, stuck, unkept, saving, savedAt, renewed, files };
  return { ...state, refused, refuse, left, begin, goOn, sendLeft, letGo, through, whenStuck, understood };
});
