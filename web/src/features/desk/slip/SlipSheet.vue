<script setup lang="ts">
import { computed, ref } from "vue";
import type { Schemas } from "../../../api/client";
import PickList from "../../../ui/PickList.vue";
import { ratio } from "../../../ui/ratio";
import EmptyPlace from "../../../ui/notes/EmptyPlace.vue";
import { useDesk } from "../deskStore";
import { injectSheet } from "../keys";
import type { Device, Field, Value } from "../types";
import CellField from "./CellField.vue";
import LongField from "./LongField.vue";
import SheetHead from "./SheetHead.vue";
import { ARRANGED, columnsIn } from "./columns";
import { type Cell, type Row, useSheet } from "./useSheet";
import { useTold } from "./useTold";
import { useWalk } from "./useWalk";
import { say } from "../../../words";

/** The settings of a piece or band, a line each, with its value on every screen in a cell of its own. */
const props = defineProps<{
  slip: Schemas["SlipView"];
  devices: Device[];
  wanted: string;
  verdict: Schemas["VerdictView"] | null;
}>();
const emit = defineEmits<{ out: [] }>();
const desk = useDesk();
const moves = injectSheet();
const view = computed(() => props.slip);
const devices = computed(() => props.devices);
const words = computed(() => props.wanted.trim().toLowerCase());
const sheet = useSheet(view, devices, words);
const { rows } = sheet;
const SCREEN = { wide: "wide", tablet: "tablet", phone: "phone" } as const;
const WRITTEN = ["text", "rich", "lines"];
const LONG = ["lines", "rich", "rows", "table", "pictures", "products", "film"];

const grid = ref<HTMLElement | null>(null);
const walking = useWalk(rows, devices, (row, open) => fold(row, open), grid);
const { at, editing, current, columnOf, isAt, focus, walk, jump, sideways, walkOn, walkBack } = walking;
const control = ref<{ drop: () => void }[]>([]);
/** What was set where the cell that is edited had the focus first, so that Escape brings it back. */
let before: Value | null = null;

function isLong(field: Field): boolean {
  return LONG.includes(field.shape.shape);
}

function fold(row: Row, open: boolean): void {
  if (row.is === "head") sheet.fold(row.head.name, open);
}

function now(field: Field): Cell {
  return sheet.cell(field, columnOf({ is: "field", id: field.key, field }));
}
function set(field: Field, to: Value | null, device = columnOf({ is: "field", id: field.key, field })): void {
  void moves.set(props.slip.target, field.key, device, to);
}
function begin(row: Row, device: Device): void {
  if (editing.value && row === current.value && device === columnOf(row)) {
    if (row.is === "field" && isLong(row.field)) void focus(row);
    return;
  }
  at.value = { row: row.id, device };
  if (row.is === "head") return fold(row, !row.head.open);
  if (row.is === "columns") return void (editing.value = true);
  const cell = sheet.cell(row.field, device);
  // An order is made by moving pieces; here it is rejoined.
  if (!cell.means || row.field.shape.shape === "order") return void focus(row, device);
  if (row.field.shape.shape === "flag") {
    set(row.field, cell.value !== true, device);
    return void focus(row, device);
  }
  before = cell.own ? cell.value : null;
  editing.value = true;
}
/** A list opens as soon as the pointer's button goes down, so that it can be let go over the value that is wanted. */
function press(row: Row, device: Device, event: MouseEvent): void {
  const opens = row.is === "columns" || (row.is === "field" && row.field.shape.shape === "choice");
  if (!opens) return;
  event.preventDefault();
  // What is typed elsewhere is left first, as it would be by itself.
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  begin(row, device);
}
function cancel(): void {
  const row = current.value;
  control.value.forEach((one) => one.drop());
  if (row?.is === "field" && !isLong(row.field) && isOther(now(row.field))) set(row.field, before);
  void focus(row);
}
/** Whether something else stands in a cell than where it got the focus. */
function isOther(cell: Cell): boolean {
  return JSON.stringify(cell.own ? cell.value : null) !== JSON.stringify(before);
}
function goBack(field: Field, device: Device): void {
  if (isOther(sheet.cell(field, device))) moves.setBack(props.slip.target, field.key, device, before);
}
/** The control has lost the focus to something else; to another screen's cell of its line, too. */
function left(row: Row, device: Device): void {
  if (isAt(row, device)) editing.value = false;
}
function rejoin(row: Row | null): void {
  if (row?.is === "head") moves.rejoin([props.slip.target], row.head.set);
  else if (row?.is === "field" && sheet.cell(row.field, columnOf(row)).own) set(row.field, null);
}

function onKey(event: KeyboardEvent): void {
  const command = event.ctrlKey || event.metaKey;
  const { key } = event;
  const row = current.value;
  const done = (): void => {
    event.preventDefault();
    event.stopPropagation();
  };
  if (editing.value) {
    const long = row?.is === "field" && isLong(row.field);
    if (key === "Escape" && !event.defaultPrevented) cancel();
    else if (long || event.defaultPrevented) return;
    else if (key === "Enter") void focus(row);
    else if (key === "Tab") event.shiftKey ? walkBack() : walkOn();
    else if (command && key === "ArrowDown") void jump(1);
    else if (command && key === "ArrowUp") void jump(-1);
    else return;
    return done();
  }
  if (!(event.target as Element).closest("[data-cell]")) return;
  if (command && key === "ArrowDown") void jump(1);
  else if (command && key === "ArrowUp") void jump(-1);
  else if (command || event.altKey) return;
  else if (key === "ArrowDown") walk(1);
  else if (key === "ArrowUp") walk(-1);
  else if (key === "ArrowRight") sideways(1);
  else if (key === "ArrowLeft") sideways(-1);
  else if (key === "Home") void focus(rows.value[0] ?? null);
  else if (key === "End") void focus(rows.value.at(-1) ?? null);
  else if ((key === "Enter" || key === " ") && row) begin(row, columnOf(row));
  else if (key === "Delete" || key === "Backspace") rejoin(row);
  else if (key === "Escape") emit("out");
  else return;
  done();
}
const { told, tell, hush, keepers } = useTold(
  () => props.slip.target,
  (key) => props.slip.fields.find((field) => field.key === key) ?? null,
  sheet.cell,
  () => grid.value,
);
/** Of a text its name comes first: there are as many sizes as texts. */
function nameOf(field: Field): string {
  return field.group === "texts" && field.part ? `${field.part}, ${field.label.toLowerCase()}` : field.label;
}
function named(field: Field, cell: Cell): string {
  const screen = field.phone ? `, ${SCREEN[cell.device]}` : "";
  return `${nameOf(field)}${screen}: ${cell.says || say("slip-sheet-empty")}${cell.own ? say("slip-sheet-set-here") : ""}`;
}

/** Takes the nearest colour that can be read, as a step of its own; the focus goes to where it stands. */
function mend(row: Row, field: Field, cell: Cell): void {
  moves.setBack(props.slip.target, field.key, cell.device, cell.read?.nearest ?? null);
  void focus(row, cell.device);
}
/** Beside an own colour stands its contrast on its ground; where it can't be read there, the nearest that can. */
function tooPale(cell: Cell): boolean {
  return cell.read !== null && cell.read.hundredths < cell.read.needed;
}
function read(field: Field): Cell[] {
  return sheet.cells(field).filter((cell) => cell.read && !cell.quiet && (cell.own || tooPale(cell)));
}

const arranged = computed(() => {
  const band = desk.draft?.layout.bands.find((one) => "band" in props.slip.target && one.id === props.slip.target.band);
  return band?.columns.map((column) => column.width) ?? [];
});
function arrange(widths: number[]): void {
  if ("band" in props.slip.target) moves.setColumns(props.slip.target.band, widths);
}

/** Puts the focus on the first cell, or on the first of what was found. */
function enter(device: Device = "wide"): void {
  void focus(rows.value.find((row) => row.is !== "head") ?? rows.value[0] ?? null, device);
}
/** Opens the first words for writing; where it has none of its own, the first cell has the focus. */
function write(): void {
  const words = rows.value.find((row) => row.is === "field" && WRITTEN.includes(row.field.shape.shape));
  if (words) begin(words, "wide");
  else enter();
}
const parts = computed(() => rows.value.some((row) => row.is === "head"));
/** Whether no part is folded. */
const open = computed(() => rows.value.every((row) => row.is !== "head" || row.head.open));
defineExpose({ enter, write });
</script>

<template>
  <div class="sheet" :class="{ three: devices.length > 2 }" @scroll="hush">
    <div ref="grid" role="grid" tabindex="-1" :aria-label="say('slip-sheet-settings')" @keydown="onKey">
      <div class="line screens" role="row">
        <span role="columnheader">
          <span class="unseen">{{ say("slip-sheet-setting") }}</span>
          <button v-if="parts" class="quiet" tabindex="-1" @click="sheet.foldAll(!open)">
            {{ open ? say("slip-sheet-fold-all") : say("slip-sheet-open-all") }}
          </button>
        </span>
        <span v-for="device in devices" :key="device" role="columnheader">{{ SCREEN[device] }}</span>
      </div>
      <template v-for="row in rows" :key="row.id">
        <SheetHead
          v-if="row.is === 'head'"
          :head="row.head"
          :at="isAt(row, 'wide')"
          :cells="devices.length + 1"
          @fold="begin(row, 'wide')"
          @rejoin="rejoin(row)"
        />
        <div v-else-if="row.is === 'columns'" class="line" role="row">
          <span class="label" role="rowheader">{{ say("slip-sheet-columns") }}</span>
          <div class="whole" role="gridcell" data-value="columns:wide" :aria-colspan="devices.length">
            <PickList
              v-if="editing && isAt(row, 'wide')"
              :model-value="arranged"
              :options="ARRANGED"
              :label="say('slip-sheet-columns')"
              :free="columnsIn"
              @pick="arrange"
              @done="focus(row)"
              @leave="left(row, 'wide')"
            />
            <button
              v-else
              data-cell
              class="value"
              :data-at="isAt(row, 'wide') || undefined"
              :tabindex="isAt(row, 'wide') ? 0 : -1"
              :aria-label="say('slip-sheet-columns-b', { columns: slip.columns })"
              @mousedown.left="press(row, 'wide', $event)"
              @click="begin(row, 'wide')"
            >
              {{ slip.columns }}
            </button>
          </div>
        </div>
        <template v-else>
          <div class="line" role="row" :class="{ at: row === current && editing }">
            <span
              :id="`label-${row.field.key}`"
              class="label"
              :class="{ language: row.field.language }"
              role="rowheader"
              :aria-label="row.field.language ? row.field.label : undefined"
            >
              <template v-if="row.field.language">{{
                say("slip-sheet-language", { language: row.field.language })
              }}</template>
              <template v-else>{{ words === "" ? row.field.label : nameOf(row.field) }}</template>
              <span
                v-if="keepers(row.field)"
                class="dot keepers"
                role="img"
                :aria-label="keepers(row.field)"
                :title="keepers(row.field)"
              />
            </span>
            <div
              v-for="cell in sheet.cells(row.field)"
              :key="cell.device"
              role="gridcell"
              :data-value="`${row.field.key}:${cell.device}`"
              :class="{ whole: !row.field.phone }"
              :aria-colspan="row.field.phone ? undefined : devices.length"
            >
              <CellField
                v-if="editing && isAt(row, cell.device) && !isLong(row.field)"
                ref="control"
                :field="row.field"
                :now="cell"
                :label="`${nameOf(row.field)}, ${SCREEN[cell.device]}`"
                @set="(v) => set(row.field, v, cell.device)"
                @back="goBack(row.field, cell.device)"
                @done="focus(row, cell.device)"
                @leave="left(row, cell.device)"
              />
              <button
                v-else
                class="value"
                :class="{ own: cell.own, quiet: cell.quiet || cell.says === '', away: !cell.means }"
                data-cell
                :data-at="isAt(row, cell.device) || undefined"
                :tabindex="isAt(row, cell.device) ? 0 : -1"
                :aria-label="named(row.field, cell)"
                :aria-expanded="isLong(row.field) ? editing && isAt(row, cell.device) : undefined"
                :aria-disabled="!cell.means || undefined"
                :aria-describedby="told ? 'slip-told' : undefined"
                @mousedown.left="press(row, cell.device, $event)"
                @click="begin(row, cell.device)"
                @focus="tell($event, row.field, cell.device)"
                @blur="hush"
                @mouseenter="tell($event, row.field, cell.device)"
                @mouseleave="hush"
              >
                <span v-if="cell.own" class="set" :class="{ departs: desk.scope !== 'template' }" />
                {{ cell.means ? cell.says || say("slip-sheet-empty") : "–" }}
              </button>
            </div>
          </div>
          <div v-for="cell in read(row.field)" :key="`read-${cell.device}`" class="read" role="row">
            <div role="gridcell" :aria-colspan="devices.length + 1">
              <span v-if="!tooPale(cell)" class="soft">{{
                say("slip-sheet-contrast", { screen: SCREEN[cell.device], is: ratio(cell.read?.hundredths ?? 0) })
              }}</span>
              <span v-else class="signal">{{
                say("slip-sheet-too-pale", {
                  screen: SCREEN[cell.device],
                  is: ratio(cell.read?.hundredths ?? 0),
                  needed: ratio(cell.read?.needed ?? 0),
                })
              }}</span>
              <button v-if="cell.read?.nearest" class="quiet" @click="mend(row, row.field, cell)">
                <span class="dab" :style="{ background: cell.read.nearest }" />{{ say("slip-sheet-nearest") }}
              </button>
            </div>
          </div>
          <div v-if="editing && row === current && isLong(row.field)" class="long" role="row">
            <div role="gridcell" :aria-colspan="devices.length + 1">
              <LongField :field="row.field" :now="now(row.field)" :verdict="verdict" @set="(v) => set(row.field, v)" />
            </div>
          </div>
        </template>
      </template>
    </div>
    <EmptyPlace v-if="rows.length === 0">{{ say("slip-sheet-no-setting-here-called") }}</EmptyPlace>
    <slot />
    <p
      v-if="told"
      id="slip-told"
      class="slip-told"
      role="tooltip"
      :style="{ top: `${told.top}px`, left: `${told.left}px` }"
    >
      {{ told.says }}
    </p>
  </div>
</template>

<style scoped>
.sheet {
  --columns: minmax(0, 1.22fr) minmax(0, 1fr) minmax(0, 1fr);

  flex: 1;
  min-height: 0;
  padding-bottom: 10px;
  overflow-y: auto;
  scroll-padding-top: 44px;
}
.sheet.three {
  --columns: minmax(0, 1.2fr) repeat(3, minmax(0, 1fr));
}
.line {
  box-sizing: border-box;
  display: grid;
  grid-template-columns: var(--columns);
  align-items: center;
  min-height: 24px;
  padding: 0 6px 0 14px;
  border-bottom: 1px solid var(--hair);
}
.line.at {
  background: var(--accent-weak);
}
.screens {
  position: sticky;
  z-index: 2;
  top: 0;
  min-height: 20px;
  border-color: var(--line);
  background: var(--sheet);
  color: var(--soft);
  font-size: 11px;
}
.screens [role="columnheader"] + [role="columnheader"] {
  padding-left: 12px;
}
.screens .quiet {
  margin-left: -4px;
  color: var(--soft);
  text-decoration: none;
}
.screens .quiet:hover {
  color: var(--accent);
}
.label {
  overflow: hidden;
  color: var(--soft);
  text-overflow: ellipsis;
  white-space: nowrap;
}
.language {
  padding-left: 12px;
}
.keepers {
  width: 6px;
  height: 6px;
  margin-left: 3px;
  vertical-align: middle;
}
.whole {
  grid-column: 2 / -1;
}
.value {
  display: block;
  position: relative;
  width: 100%;
  height: 23px;
  padding: 0 4px 0 12px;
  overflow: hidden;
  border-radius: 4px;
  text-align: left;
  text-decoration: none;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.value:hover {
  background: var(--paper);
}
.value:focus-visible,
.head [data-cell]:focus-visible {
  outline-offset: -2px;
}
.value.quiet,
.value.away {
  color: var(--soft);
}
.value.away {
  cursor: default;
}
.value.own {
  font-weight: 650;
}
.set {
  position: absolute;
  top: 9px;
  left: 2px;
  width: 6px;
  height: 6px;
  border-radius: 50%;
  background: var(--accent);
}
.set.departs {
  background: var(--signal);
}
.read > div {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
  padding: 2px 8px 4px 14px;
  border-bottom: 1px solid var(--hair);
  font-size: 12px;
}
.read .dab {
  display: inline-block;
  width: 10px;
  height: 10px;
  margin-right: 4px;
  border-radius: 50%;
}
.long {
  padding: 6px 12px 10px 14px;
  border-bottom: 1px solid var(--hair);
  background: var(--accent-weak);
}
</style>

<style>
.slip-told {
  position: fixed;
  z-index: 2400;
  max-width: 300px;
  margin: 0;
  padding: 4px 9px;
  border-radius: 5px;
  background: var(--ink);
  color: var(--sheet);
  font-size: 12px;
  pointer-events: none;
}
</style>
