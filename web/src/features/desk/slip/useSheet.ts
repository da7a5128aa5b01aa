import { type ComputedRef, computed, ref, watch } from "vue";
import type { Schemas } from "../../../api/client";
import { injectSheet } from "../keys";
import { DEVICES, type Device, type Field, type Value } from "../types";
import { say } from "../../../words";

export interface Head {
  name: string;
  fields: Field[];
  /** Whether it is a text, whose type is set here. */
  text: boolean;
  open: boolean;
  /** Its settings that are set here. */
  set: string[];
  /** What it holds, in a line. */
  tells: { says: string; own: boolean }[];
}
export type Row =
  { is: "head"; id: string; head: Head } | { is: "field"; id: string; field: Field } | { is: "columns"; id: string };

/** A cell's value: what is said, whether it is set here, and what it is. */
export interface Cell {
  device: Device;
  says: string;
  /** Inherited from a wider screen. */
  quiet: boolean;
  own: boolean;
  means: boolean;
  from: string;
  value: Value;
  /** Of a text's colour: whether it can be read on its ground. */
  read: Schemas["Legibility"] | null;
}

/** What a folded text tells of itself, if nothing of it is set here. */
const OF_TEXT = ["size", "weight"];

/** The size of the text that a piece is mostly about. */
const MAIN = "size";

const NAMES = { says: say("sheet-says"), looks: say("sheet-looks"), setting: say("sheet-looks") } as const;
/** Parts that were folded in or out by hand; they stay so. */
const KEPT = "slip-folds";

/** The lines of a slip: its settings under their headings, each with a cell for every screen. */
export function useSheet(
  slip: ComputedRef<Schemas["SlipView"] | null>,
  devices: ComputedRef<Device[]>,
  wanted: ComputedRef<string>,
) {
  const moves = injectSheet();
  const folds = ref(read());
  function read(): Record<string, boolean> {
    try {
      return JSON.parse(localStorage.getItem(KEPT) ?? "{}") as Record<string, boolean>;
    } catch {
      return {};
    }
  }
  function fold(name: string, open: boolean): void {
    folds.value = { ...folds.value, [name]: open };
    localStorage.setItem(KEPT, JSON.stringify(folds.value));
  }

  const values = computed(() => (slip.value ? moves.valuesOf(slip.value.target) : undefined));
  /** What is said on a screen; a step that waits is told before its answer. */
  function cell(field: Field, device: Device): Cell {
    const view = (device === "wide" ? null : field[device]) ?? field.wide;
    const mine = values.value?.[device]?.[field.key];
    const waits = mine !== undefined && (!view.own || JSON.stringify(mine) !== JSON.stringify(view.value));
    if (waits && mine !== undefined) {
      return {
        device,
        says: words(field, mine),
        quiet: false,
        own: true,
        means: true,
        from: say("sheet-set-here"),
        value: mine,
        read: null,
      };
    }
    const of = view.source.device;
    const quiet = of !== device && device !== "wide" && field[device] != null;
    const says = !quiet ? view.says : of === "tablet" ? say("sheet-tablet") : say("sheet-wide");
    return {
      device,
      says,
      quiet,
      own: view.own,
      means: view.means,
      from: view.from,
      value: view.value,
      read: view.read ?? null,
    };
  }
  function cells(field: Field): Cell[] {
    if (!field.phone) return [cell(field, "wide")];
    return devices.value.map((device) => cell(field, device));
  }

  /** Parts that have something set in them are folded out when a piece is chosen. */
  const begun = ref(new Set<string>());
  watch(
    () => slip.value && JSON.stringify(slip.value.target),
    () => {
      // The text that a piece is mostly about, such as its name or price, lies open, too.
      const set = (field: Field): boolean =>
        (field.group === "texts" && field.key === MAIN) ||
        [field.wide, field.tablet, field.phone].some((one) => one && one.source.level !== "house");
      begun.value = new Set((slip.value?.fields ?? []).filter(set).map(headOf));
    },
    { immediate: true },
  );
  function isSet(field: Field): boolean {
    return DEVICES.some((device) => values.value?.[device]?.[field.key] !== undefined);
  }
  function headOf(field: Field): string {
    return field.part ?? (field.group in NAMES ? NAMES[field.group as keyof typeof NAMES] : "");
  }
  function isOpen(name: string): boolean {
    return folds.value[name] ?? (name === "Says" || name === "Looks" || begun.value.has(name));
  }
  function matches(field: Field): boolean {
    const options = "options" in field.shape ? field.shape.options.map((one) => one.says) : [];
    const text = [field.label, headOf(field), ...options].join(" ").toLowerCase();
    return wanted.value.split(/\s+/).every((word) => text.split(/\s+/).some((one) => one.startsWith(word)));
  }

  const rows = computed((): Row[] => {
    const fields = (slip.value?.fields ?? []).filter((field) => field.shape.shape !== "rule");
    const line = (field: Field): Row => ({ is: "field", id: field.key, field });
    const looking = wanted.value !== "";
    // What begins with what is looked for comes first: a piece's own side before that of one of its texts.
    const begins = (field: Field): boolean =>
      field.group !== "texts" && field.label.toLowerCase().startsWith(wanted.value);
    if (looking) return [...fields.filter(matches)].sort((a, b) => Number(begins(b)) - Number(begins(a))).map(line);
    // Words come first, then looks.
    const heads = new Map<string, Field[]>([[NAMES.says, []]]);
    for (const field of fields) {
      const name = headOf(field);
      if (name !== "") heads.set(name, [...(heads.get(name) ?? []), field]);
    }
    const all: Row[] = fields.filter((field) => headOf(field) === "").map(line);
    if (slip.value?.columns) all.unshift({ is: "columns", id: "columns" });
    for (const [name, own] of heads) {
      if (own.length === 0) continue;
      const open = isOpen(name);
      const set = own.filter(isSet).map((field) => field.key);
      all.push({
        is: "head",
        id: `head-${name}`,
        head: { name, fields: own, text: own[0]?.group === "texts", open, set, tells: open ? [] : tells(own) },
      });
      if (open) all.push(...own.map(line));
    }
    return all;
  });
  /** What a folded part says: its values, and those that narrower screens have of their own. What is switched off or
   * nought says nothing unless it was set so. */
  function tells(fields: Field[]): Head["tells"] {
    const each = fields.map((field) => {
      const here = cells(field).filter((one) => one.own || !field.language);
      const own = here.filter((one) => one.means && !one.quiet && one.says !== "");
      const usual = field.group !== "texts" || OF_TEXT.includes(field.key.split(".").at(-1) ?? "");
      const telling = own.filter((one) => one.own || (usual && typeof one.value !== "boolean" && one.value !== 0));
      const named = (one: Cell): string =>
        typeof one.value === "boolean" ? `${field.label.toLowerCase()}: ${one.says}` : one.says;
      return telling.map((one) => ({ says: named(one), own: one.own, device: one.device }));
    });
    const first = each.flatMap(([one]) => (one ? [one] : []));
    const others = each.flatMap(([one, ...more]) => more.filter((other) => other.says !== one?.says));
    const all = [...first, ...others].map(({ says, own, device }) => ({
      says: device === "wide" ? says : `${device} ${says}`,
      own,
    }));
    // What two settings say alike is said once.
    return all.filter(
      (one, index) => all.findIndex((other) => other.says === one.says && other.own === one.own) === index,
    );
  }
  function foldAll(open: boolean): void {
    for (const row of rows.value) if (row.is === "head") fold(row.head.name, open);
  }

  return { rows, cell, cells, fold, foldAll };
}

/** A value in words, as long as the server hasn't said it. */
function words(field: Field, value: Value): string {
  if ("options" in field.shape) {
    return field.shape.options.find((one) => JSON.stringify(one.value) === JSON.stringify(value))?.says ?? "";
  }
  if (typeof value === "boolean") return value ? say("sheet-yes") : say("sheet-no");
  if (typeof value === "number" && "free" in field.shape) return `${value} px`;
  if (typeof value === "number") return `${value} ${field.unit}`.trim();
  if (typeof value === "string") return field.shape.shape === "rich" ? value.replace(/<[^>]*>/g, " ").trim() : value;
  if (Array.isArray(value)) return value.length === 0 ? "" : String(value[0]);
  return field.wide.says;
}
