import { computed, shallowRef } from "vue";
import { useDesk } from "../deskStore";
import { DEVICES, type Device, type Field, type Target } from "../types";
import { useScope } from "../useScope";
import type { Cell } from "./useSheet";
import { say } from "../../../words";

/** So long a value is pointed at before it tells of itself. */
const WAIT_MS = 300;
/** What is longer may be cut off in its cell. */
const CUT = 12;

/** What a value tells that is pointed at or has the focus: itself, where it comes from, what it hides, who differs. */
export function useTold(
  target: () => Target,
  fieldOf: (key: string) => Field | null,
  cellOf: (field: Field, device: Device) => Cell,
  grid: () => HTMLElement | null,
) {
  const desk = useDesk();
  const scope = useScope();
  const at = shallowRef<{ key: string; device: Device; top: number; left: number } | null>(null);
  let waits: ReturnType<typeof setTimeout> | undefined;

  const told = computed(() => {
    const field = at.value && fieldOf(at.value.key);
    if (!at.value || !field) return null;
    const { device, top, left } = at.value;
    const now = cellOf(field, device);
    const says = [
      now.says.length > CUT && !now.quiet ? `${now.says}.` : "",
      now.means ? now.from : say("told-does-nothing-screen-other"),
      keepers(field),
      now.own ? say("told-delete-rejoins") : "",
    ];
    return { says: says.filter(Boolean).join(" "), top, left };
  });

  function tell(event: Event, field: Field, device: Device): void {
    const cell = event.currentTarget as HTMLElement;
    if (event.type === "focus" && !cell.matches(":focus-visible")) return;
    clearTimeout(waits);
    const show = (): void => {
      const edge = grid()?.getBoundingClientRect();
      if (cell.isConnected)
        at.value = { key: field.key, device, top: cell.getBoundingClientRect().top, left: (edge?.right ?? 0) + 8 };
    };
    if (event.type === "focus") show();
    else waits = setTimeout(show, WAIT_MS);
  }
  function hush(): void {
    clearTimeout(waits);
    at.value = null;
  }

  /** Who keeps a value different from what one is looking at, further in. */
  function keepers(field: Field): string {
    const inner = scope
      .keptOf(target())
      .filter((one) => DEVICES.some((device) => one.values[device]?.[field.key] !== undefined))
      .filter((one) => desk.scope === "template" || (desk.scope === "type" && "product" in one.whom));
    const here = inner.filter(scope.bearsHere).map((one) => scope.nameOf(one.whom));
    const elsewhere = inner.length - here.length;
    if (inner.length === 0) return "";
    if (here.length === 0) return say("told-differs-others", { elsewhere });
    const keep = say("told-keep-their", { count: here.length });
    return say("told-own", {
      here: here.join(say("told-and")),
      keep,
      elsewhere: elsewhere ? say("told-more", { elsewhere }) : "",
    });
  }

  return { told, tell, hush, keepers };
}
