import { type Ref, onScopeDispose, ref, watch } from "vue";

/** While it changes again within so long, what hangs on it waits. */
const REST_MS = 160;

/**
 * Counts the changes of something: the first at once, those that follow one upon another once they rest. So what is
 * only told beside the proofs isn't asked for anew at every letter.
 */
export function useRested(source: () => unknown): Ref<number> {
  const count = ref(0);
  let last = -Infinity;
  let later: ReturnType<typeof setTimeout> | undefined;
  watch(
    source,
    () => {
      clearTimeout(later);
      const now = performance.now();
      const calm = now - last > REST_MS;
      last = now;
      if (calm) count.value += 1;
      else later = setTimeout(() => (count.value += 1), REST_MS);
    },
    { flush: "sync" },
  );
  onScopeDispose(() => clearTimeout(later));
  return count;
}
