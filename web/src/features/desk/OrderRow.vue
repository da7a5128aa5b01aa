<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { initials } from "../../ui/initials";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import type { Where } from "./order";
import { type Device, ORDER_DEVICES, type Piece, pieceOf } from "./types";
import { useScope } from "./useScope";
import { say } from "../../words";

const props = defineProps<{
  piece: Piece;
  number: number;
  /** Where it stands on phones, if they have an order of their own. */
  onPhones: number | null;
  hint: string;
  silent: boolean;
  wide: Where;
  phone: Where;
  /** Whether it is meant to be seen there. */
  shownWide: boolean;
  shownPhone: boolean;
  /** Whether the finder has left it out. */
  out: boolean;
}>();
defineEmits<{ gap: []; toggle: [device: Device] }>();
const desk = useDesk();
const moves = injectMoves();
const scope = useScope();

const label = computed(() => desk.labels.get(props.piece.kind) ?? props.piece.kind);
const chosen = computed(() => pieceOf(desk.chosen) === props.piece.id || desk.also.includes(props.piece.id));
/** Who else has this piece chosen. */
const other = computed(() => desk.others.find((o) => o.chosen === props.piece.id)?.name ?? null);
const role = computed(() => desk.view?.kinds.find((k) => k.kind === props.piece.kind)?.role ?? "tell");
const own = computed(() => {
  const { wide = {}, tablet = {}, phone = {} } = props.piece.values ?? {};
  return [wide, tablet, phone].reduce((sum, values) => sum + Object.keys(values).length, 0);
});

/** Whether the product on the desk, or its type, keeps something of this piece different. */
const departs = computed(() => {
  const here = scope.keptOf({ piece: props.piece.id }).filter(scope.bearsHere);
  return here.map((one) => scope.nameOf(one.whom)).join(say("order-row-and"));
});

function where(device: Device): Where {
  return device === "wide" ? props.wide : props.phone;
}

const row = ref<HTMLElement | null>(null);
watch(
  chosen,
  (now) => now && pieceOf(desk.chosen) === props.piece.id && row.value?.scrollIntoView({ block: "nearest" }),
);

/** Whether narrower screens have a word of their own on whether it is shown, and don't follow the wide one. */
const alone = computed(() => {
  const here = scope.keptOf({ piece: props.piece.id }).filter(scope.bearsHere);
  const all = [props.piece.values, ...here.map((one) => one.values)];
  return all.some((values) => [values?.tablet, values?.phone].some((screen) => screen?.["shown"] !== undefined));
});
const said = {
  first: say("order-row-first-screen"),
  below: say("order-row-below-first-screen"),
  away: say("order-row-not-shown"),
} as const;
function says(device: Device): string {
  const name = device === "wide" ? say("order-row-wide-screens") : say("order-row-phones");
  const act = (device === "wide" ? props.shownWide : props.shownPhone) ? say("order-row-hide") : say("order-row-show");
  const there = device === "wide" && !alone.value ? say("order-row-every-screen") : say("order-row-there");
  return say("order-row-on-it", { label: label.value, name, said: said[where(device)], act, there });
}

function choose(event: MouseEvent): void {
  desk.pointed = null;
  if (event.shiftKey) moves.chooseUpTo(props.piece.id);
  else if (event.ctrlKey || event.metaKey) moves.chooseToo(props.piece.id);
  else moves.choose({ piece: props.piece.id });
}
</script>

<template>
  <div v-show="!out" ref="row" class="row" :class="{ chosen, silent }" :aria-current="chosen || undefined">
    <span class="n">{{ number }}</span>
    <span class="role" :data-role="role" />
    <button class="what" @click="choose">
      {{ label }}
      <span
        v-if="departs"
        class="dot"
        role="img"
        :aria-label="say('order-row-departs-here', { departs })"
        :title="say('order-row-departs-here', { departs })"
      />
      <em v-if="hint">{{ hint }}</em>
    </button>
    <span class="own" :class="{ other }" :title="other ? say('order-row-has-chosen', { other }) : undefined">{{
      other ? initials(other) : own > 0 ? say("order-row-own", { own }) : ""
    }}</span>
    <span v-if="onPhones !== null" class="second" :title="say('order-row-on-phones', { number: onPhones })">
      <span class="unseen">{{ say("order-row-on-phones", { number: onPhones }) }}</span>
      <span aria-hidden="true">{{ onPhones }}</span>
    </span>
    <span v-else />
    <span class="devices">
      <button
        v-for="device in ORDER_DEVICES"
        :key="device"
        :class="[device, where(device)]"
        :aria-label="says(device)"
        :title="says(device)"
        @click="$emit('toggle', device)"
      />
    </span>
    <button
      class="gap"
      :aria-label="say('order-row-add-piece-after', { label })"
      :title="say('order-row-add-piece-here')"
      @click="$emit('gap')"
    />
  </div>
</template>

<style scoped>
.row {
  position: relative;
  display: grid;
  grid-template-columns: 20px 12px minmax(0, 1fr) auto auto 48px;
  align-items: center;
  gap: 4px;
  height: 25px;
  padding: 0 10px 0 8px;
  scroll-margin: 26px;
  cursor: grab;
}
.n {
  padding-right: 4px;
  color: var(--soft);
  font-size: 11px;
  text-align: right;
}
.second {
  padding: 0 4px;
  border: 1px solid var(--line);
  border-radius: 3px;
  color: var(--signal);
  font-size: 11px;
  line-height: 14px;
}
.role {
  width: 8px;
  height: 15px;
  border-radius: 2px;
  background: var(--show);
}
.role[data-role="buy"] {
  background: var(--buy);
}
.role[data-role="tell"] {
  background: var(--tell);
}
.what {
  overflow: hidden;
  height: 25px;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.what em {
  margin-left: 5px;
  color: var(--soft);
  font-size: 12px;
  font-style: normal;
}
.own {
  color: var(--signal);
  font-size: 11px;
  font-weight: 600;
  white-space: nowrap;
}
.own.other {
  padding: 0 5px;
  border-radius: 99px;
  background: var(--accent);
  color: var(--on-accent);
}
.chosen {
  background: var(--accent-weak);
  box-shadow: inset 3px 0 0 var(--accent);
}
.chosen .what {
  font-weight: 600;
}
.chosen .what em {
  font-weight: 400;
}
.silent .what {
  color: var(--soft);
}
.devices {
  display: flex;
  justify-content: flex-end;
}
.devices button {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
}
.devices button::before {
  content: "";
  box-sizing: border-box;
  width: 15px;
  height: 10px;
  border: 1.4px solid var(--accent);
  border-radius: 2px;
}
.devices .phone::before {
  width: 8px;
  height: 13px;
}
.devices .first::before {
  background: var(--accent);
}
.devices .away::before {
  border: 1.4px dashed var(--dash);
}
.gap {
  position: absolute;
  z-index: 1;
  right: 60px;
  bottom: -4px;
  left: 36px;
  height: 8px;
  opacity: 0;
}
.gap::before {
  content: "";
  display: block;
  height: 2px;
  background: var(--accent);
}
.gap:hover,
.gap:focus-visible {
  opacity: 1;
}
</style>
