import { ref, shallowRef } from "vue";
import type { Answer, ApiError } from "../api/client";

/** What goes along with a step, so that nothing is overwritten that its maker didn't see. */
export type Seen = { headers: Record<string, string> };
type Call<V> = (seen: Seen) => Promise<Answer<V>>;

/**
 * The steps on one thing, taken one after another; each answer is the thing as it is now. A step on something that
 * somebody else changed meanwhile isn't taken: the thing is read anew, and `mine` takes the step all the same.
 */
export function useSteps<V extends { seen: string }>(read: () => Promise<Answer<V>>, show?: (now: V) => unknown) {
  const view = shallowRef<V | null>(null);
  const problem = ref<ApiError | null>(null);
  const mine = shallowRef<(() => Promise<boolean>) | null>(null);
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
    const { data, error } = await call(seen);
    problem.value = error ?? null;
    mine.value = null;
    if (data) {
      view.value = data;
      await show?.(data);
    } else if (error?.code === "overtaken") {
      const theirs = (await read()).data;
      if (theirs) {
        view.value = theirs;
        await show?.(theirs);
        mine.value = () => inTurn(() => takeNow(call, { headers: {} }));
      }
    }
    return data !== undefined;
  }
  /** Takes a step in its turn, on what is seen as it is made; tells whether it was taken. */
  function take(call: Call<V>): Promise<boolean> {
    const known = view.value?.seen;
    const seen: Seen = { headers: known === undefined ? {} : { "x-seen": known } };
    return inTurn(() => takeNow(call, seen));
  }
  const load = () => take(read);
  /** Does something else in its turn; tells whether it was done. */
  const turn = (first: () => Promise<Answer<unknown>>) =>
    inTurn(async () => {
      const { error } = await first();
      problem.value = error ?? null;
      mine.value = null;
      return error === undefined;
    });
  /** The same, and reads the thing anew. */
  const after = async (first: () => Promise<Answer<unknown>>) => (await turn(first)) && (await load());
  return { view, problem, mine, pending, take, load, turn, after };
}
