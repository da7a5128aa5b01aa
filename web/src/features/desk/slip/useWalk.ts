import { type ComputedRef, type Ref, computed, nextTick, ref } from "vue";
import type { Device } from "../types";
import type { Row } from "./useSheet";

/** Where one is on a sheet, and how one gets to other cells by keys. */
export function useWalk(
  rows: ComputedRef<Row[]>,
  devices: ComputedRef<Device[]>,
  fold: (row: Row, open: boolean) => void,
  grid: Ref<HTMLElement | null>,
) {
  /** The cell that has the focus, or has it next. */
  const at = ref<{ row: string; device: Device }>({ row: "", device: "wide" });
  /** Whether its value is turned into a control. */
  const editing = ref(false);
  const current = computed(() => rows.value.find((row) => row.id === at.value.row) ?? rows.value[0] ?? null);

  /** The column that is used of a line: one that is the same everywhere has one. */
  function columnOf(row: Row): Device {
    if (row.is !== "field" || !row.field.phone) return "wide";
    return devices.value.includes(at.value.device) ? at.value.device : "wide";
  }
  function isAt(row: Row, device: Device): boolean {
    return row === current.value && columnOf(row) === device;
  }

  async function focus(row: Row | null, device = at.value.device): Promise<void> {
    if (!row) return;
    at.value = { row: row.id, device };
    editing.value = false;
    await nextTick();
    const cell = grid.value?.querySelector<HTMLElement>("[data-at]");
    cell?.focus({ preventScroll: true });
    cell?.closest("[role=row]")?.scrollIntoView({ block: "nearest" });
  }
  function walk(step: number): void {
    const index = rows.value.findIndex((row) => row === current.value);
    void focus(rows.value[Math.min(Math.max(0, index + step), rows.value.length - 1)] ?? null);
  }
  /** To the first setting under the next or the previous heading, which is folded out for it. */
  async function jump(step: 1 | -1): Promise<void> {
    const index = rows.value.findIndex((row) => row === current.value);
    const heads = rows.value.flatMap((row, i) => (row.is === "head" ? [i] : []));
    const own = heads.filter((i) => i < index).at(-1) ?? -1;
    const wanted = step === 1 ? heads.find((i) => i >= index) : heads.filter((i) => i < own).at(-1);
    const head = wanted === undefined ? undefined : rows.value[wanted];
    if (head?.is !== "head") return focus(current.value);
    if (!head.head.open) fold(head, true);
    await nextTick();
    const place = rows.value.findIndex((row) => row.id === head.id);
    await focus(rows.value[place + 1] ?? null);
  }

  /** The screen to the right or left of the one where one is. */
  function beside(step: 1 | -1): Device | undefined {
    const row = current.value;
    if (row?.is !== "field" || !row.field.phone) return undefined;
    return devices.value[devices.value.indexOf(columnOf(row)) + step];
  }
  function sideways(step: 1 | -1): void {
    const row = current.value;
    const device = beside(step);
    if (row?.is === "head") fold(row, step === 1);
    else if (device) void focus(row, device);
  }
  /** The cell to the right, or the first of the next line. */
  function walkOn(): void {
    const device = beside(1);
    if (device) return void focus(current.value, device);
    at.value = { ...at.value, device: "wide" };
    walk(1);
  }
  function walkBack(): void {
    const device = beside(-1);
    if (device) return void focus(current.value, device);
    walk(-1);
  }

  return { at, editing, current, columnOf, isAt, focus, walk, jump, sideways, walkOn, walkBack };
}
