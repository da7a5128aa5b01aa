import { shallowRef, watch } from "vue";
import { type Schemas, api, ask, offline } from "../../../api/client";
import { useDesk } from "../deskStore";
import { type Target, bandOf, pieceOf, sameTarget } from "../types";

/** The settings of what is chosen, with where every value comes from; asked for anew after each step. */
export function useSlip() {
  const desk = useDesk();
  const slip = shallowRef<Schemas["SlipView"] | null>(null);
  let asked = 0;

  watch(
    [() => desk.chosen, () => desk.draft?.revision, () => desk.scope, () => desk.look?.product],
    async ([target]) => {
      const id = desk.view?.id;
      if (!target || id === undefined) {
        slip.value = null;
        return;
      }
      // What was just made is chosen before the server has it.
      if (!isThere(target)) return;
      const mine = (asked += 1);
      const { data, error } = await ask(call(id));
      if (mine !== asked) return;
      if (data) slip.value = data;
      // Without a connection it stays as it was last seen.
      else if (error?.code !== offline.code || !sameTarget(target, slip.value?.target ?? null)) slip.value = null;
    },
    { immediate: true },
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

  return slip;
}
