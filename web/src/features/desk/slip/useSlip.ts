import { computed, onScopeDispose, ref, shallowRef, watch } from "vue";
import { type Schemas, api, ask, offline } from "../../../api/client";
import { useDesk } from "../deskStore";
import { useRested } from "../useRested";
import { type Target, bandOf, pieceOf, sameTarget } from "../types";

/** After so long a slip that was never seen is asked for again. */
const AGAIN_MS = 3000;

/** The settings of what is chosen, with where every value comes from; asked for anew after each step. */
export function useSlip() {
  const desk = useDesk();
  const slip = shallowRef<Schemas["SlipView"] | null>(null);
  /** Whether it can't be asked for now, and was never seen before. */
  const unseen = ref(false);
  /** Whether what is shown is still the slip of what was chosen before. */
  const before = computed(() => !sameTarget(slip.value?.target ?? null, desk.chosen));
  /** Slips as they were seen last: shown until they are told anew. */
  const seen = new Map<string, Schemas["SlipView"]>();
  let asked = 0;
  const again = ref(0);
  let later: ReturnType<typeof setTimeout> | undefined;
  onScopeDispose(() => clearTimeout(later));

  const rested = useRested(() => desk.draft?.revision);
  watch(
    [() => desk.chosen, rested, () => desk.scope, () => desk.look?.product, again],
    async ([target]) => {
      clearTimeout(later);
      const id = desk.view?.id;
      if (!target || id === undefined) {
        slip.value = null;
        return;
      }
      // What was just made is chosen before the server has it.
      if (!isThere(target)) return;
      const mine = (asked += 1);
      const key = JSON.stringify([id, target, desk.scope, desk.look?.product]);
      const earlier = seen.get(key);
      if (earlier && before.value) slip.value = earlier;
      const { data, error } = await ask(call(id));
      if (mine !== asked) return;
      if (data) seen.set(key, data);
      const known = error?.code === offline.code ? earlier : undefined;
      slip.value = data ?? known ?? null;
      unseen.value = error?.code === offline.code && known === undefined;
      if (unseen.value) later = setTimeout(() => (again.value += 1), AGAIN_MS);
    },
    { immediate: true },
  );

  // The slip of something else isn't waited with.
  watch(
    () => desk.draft?.revision,
    () => before.value && (again.value += 1),
  );

  function isThere(target: Target): boolean {
    const bands = desk.known?.layout.bands ?? [];
    const [piece, band] = [pieceOf(target), bandOf(target)];
    const pieces = bands.flatMap((one) => one.columns).flatMap((column) => column.pieces);
    return piece !== null ? pieces.some((one) => one.id === piece) : bands.some((one) => one.id === band);
  }

  function call(id: number) {
    const [piece, band] = [pieceOf(desk.chosen), bandOf(desk.chosen)];
    const query = { level: desk.scope, ...(desk.look ? { product: desk.look.product } : {}) };
    return piece !== null
      ? api.GET("/api/templates/{id}/slip/piece/{piece}", { params: { path: { id, piece }, query } })
      : api.GET("/api/templates/{id}/slip/band/{band}", { params: { path: { id, band: band ?? "" }, query } });
  }

  return { slip, before, unseen };
}
