import { computed } from "vue";
import { useDesk } from "./deskStore";
import type { Device, Op } from "./types";
import { useScope } from "./useScope";
import { useValues } from "./useValues";

const LEVELS = ["house", "template", "type", "product"];

/** On which screens pieces are meant to be seen, of the product that is looked at: as the server tells it, and as the
 * steps that wait will have it. */
export function useVisibility() {
  const desk = useDesk();
  const scope = useScope();
  const { set } = useValues();
  const key = (piece: string, device: Device): string => `${device} ${piece}`;
  const told = computed(() => new Map(desk.onScreens.map((one) => [key(one.piece, one.device), one])));
  const asked = computed(() => {
    const all = new Map<string, boolean>();
    const take = (op: Op): void => {
      if (op.op === "many") op.ops.forEach(take);
      else if ((op.op === "set" || op.op === "depart") && op.setting === "shown" && "piece" in op.target) {
        if (typeof op.value === "boolean") all.set(key(op.target.piece, op.device), op.value);
      }
    };
    desk.drawn?.asked.forEach(take);
    return all;
  });

  function isShown(piece: string, device: Device): boolean {
    const where = key(piece, device);
    return asked.value.get(where) ?? told.value.get(where)?.shown ?? true;
  }
  /** Shows or hides a piece on a screen: for whom the desk is set to, or for the type or product whose word counts there. */
  function toggle(piece: string, device: Device): Promise<boolean> {
    const level = told.value.get(key(piece, device))?.level ?? "template";
    const further = LEVELS.indexOf(level) > LEVELS.indexOf(desk.scope);
    const whom = scope.levels.value.find((one) => one.level === (further ? level : desk.scope))?.whom ?? null;
    return set({ piece }, "shown", device, !isShown(piece, device), whom);
  }
  return { isShown, toggle };
}
