import { ref, shallowRef } from "vue";
import type { Answer, ApiError } from "../api/client";

/** What goes along with a step, so that nothing is overwritten that its maker didn't see. */
export type Seen = { headers: Record<string, string> };
type Call<V> = (seen: Seen) => Promise<Answer<V>>;
/** A step that wasn't taken because somebody else changed the same; its maker chooses. */
export type Overtaken = { told: ApiError; mine: () => unknown; theirs: () => unknown };

/** What was looked at, to be sent along. */
export const asSeen = (seen: string | undefined): Seen => ({ headers: seen === undefined ? {} : { "x-seen": seen } });

/**
 * The steps on one thing, taken one after another; each answer is the thing as it is now. A step on something that
 * somebody else changed meanwhile isn't taken: the thing is read anew, and it is told until its maker chose.
 */
export function useSteps<V extends { seen: string }>(read: () => Promise<Answer<V>>, show?: (now: V) => unknown) {
  const view = shallowRef<V | null>(null);
  const problem = ref<ApiError | null>(null);
  /** The first that was overtaken and isn't chosen yet. */
  const overtaken = shallowRef<Overtaken | null>(null);
  let others: Overtaken[] = [];
  /** Steps that aren't answered yet. */
  const pending = ref(0);
  let queue: Promise<unknown> = Promise.resolve();

  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    pending.value += 1;
    const turn = queue.then(work).finally(() => (pending.value -= 1));
    queue = turn.catch(() => undefined);
    return turn;
  }
  async function takeNow(call: Call<V>, seen: Seen): Promise<boolean> {
    const first = await call(seen);
    // Taken though its answer was lost: how the thing is now says as much.
    const { data, error } = first.error?.code === "taken_before" ? await read() : first;
    const late = error?.code === "overtaken";
    problem.value = late ? null : (error ?? null);
    if (data) {
      view.value = data;
      await show?.(data);
    } else if (late) {
      tell(error, call);
      const theirs = (await read()).data;
      if (theirs) {
        view.value = theirs;
        await show?.(theirs);
      }
    }
    return data !== undefined;
  }
  function tell(told: ApiError, call: Call<V>): void {
    const next = (): void => {
      others = others.filter((other) => other !== one);
      overtaken.value = others[0] ?? null;
    };
    const mine = (): Promise<boolean> => {
      next();
      return inTurn(() => takeNow(call, asSeen(undefined)));
    };
    const one: Overtaken = { told, mine, theirs: next };
    others = [...others, one];
    overtaken.value = others[0] ?? null;
  }
  /** Takes a step in its turn, on what is seen as it is made; tells whether it was taken. */
  function take(call: Call<V>): Promise<boolean> {
    const seen = asSeen(view.value?.seen);
    return inTurn(() => takeNow(call, seen));
  }
  const load = () => take(read);
  /** Does something else in its turn; tells whether it was done. */
  const turn = (first: () => Promise<Answer<unknown>>) =>
    inTurn(async () => {
      const { error } = await first();
      problem.value = error ?? null;
      return error === undefined;
    });
  /** The same, and reads the thing anew. */
  const after = async (first: () => Promise<Answer<unknown>>) => (await turn(first)) && (await load());
  return { view, problem, overtaken, pending, take, load, turn, after };
}
