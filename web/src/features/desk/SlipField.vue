<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../../api/client";
import FieldControl from "./FieldControl.vue";
import { useDesk } from "./deskStore";
import { roomForButtons } from "./fields/buttons";
import { injectMoves } from "./keys";
import { DEVICES, type Device, type Field, SCREENS, type Target, type Value } from "./types";
import { useScope } from "./useScope";

const props = defineProps<{
  field: Field;
  device: Device;
  target: Target;
  verdict: Schemas["VerdictView"] | null;
}>();
const moves = injectMoves();
const desk = useDesk();
const scope = useScope();

const explained = computed(() => (props.device === "wide" ? null : props.field[props.device]) ?? props.field.wide);
/** Whether this very value was set here, on this screen. */
const own = computed(
  () => explained.value.source.level === desk.scope && explained.value.source.device === props.device,
);
const under = computed(() => explained.value.hides[0]);
const NAMES: Record<Device, string> = { wide: "wide screens", tablet: "tablets", phone: "phones" };

/** Who keeps this value different from what one is looking at, further in. */
const keepers = computed(() => {
  const inner = scope
    .keptOf(props.target)
    .filter((one) => DEVICES.some((device) => one.values[device]?.[props.field.key] !== undefined))
    .filter((one) => desk.scope === "template" || (desk.scope === "type" && "product" in one.whom));
  const here = inner.filter(scope.bearsHere).map((one) => scope.nameOf(one.whom));
  const elsewhere = inner.length - here.length;
  if (here.length === 0)
    return elsewhere === 0 ? "" : `Kept different ${elsewhere === 1 ? "once" : `${elsewhere} times`}.`;
  return `${here.join(" and ")} ${here.length === 1 ? "keeps its" : "keep their"} own${elsewhere ? `, and ${elsewhere} more` : ""}.`;
});

const OUTER = { house: "house style", template: "the template", type: "its type", product: "this product" } as const;
const source = computed(() => {
  const { level, device } = explained.value.source;
  if (own.value) {
    const from = under.value?.source;
    if (desk.scope !== "template") return `Departs from ${from ? OUTER[from.level] : "the template"}.`;
    if (from && from.device !== props.device && from.level !== "house") return `Differs from ${NAMES[from.device]}.`;
    return "Differs from house style.";
  }
  if (desk.scope !== "template" && level !== "house" && level !== desk.scope) return `As in ${OUTER[level]}`;
  if (props.device !== device) return level === "house" && device === "wide" ? "" : `As on ${NAMES[device]}`;
  return level === "house" && device !== "wide" ? `House style for ${NAMES[device]}` : "";
});
/** Whether it is there at all is asked for every screen in one row. */
const perScreen = computed(() => props.field.key === "shown");
const tall = computed(
  () =>
    ["lines", "rich", "rows", "table", "pictures", "film", "rule"].includes(props.field.shape.shape) ||
    roomForButtons(props.field) === "row",
);

function set(value: Value | null): void {
  void moves.set(props.target, props.field.key, props.device, value);
}
function shownOn(device: Device): boolean {
  return ((device === "wide" ? null : props.field[device]) ?? props.field.wide).value === true;
}
</script>

<template>
  <div v-if="perScreen" class="field">
    <span class="label">Shown on</span>
    <span class="screens">
      <label v-for="one in DEVICES" :key="one">
        <input
          type="checkbox"
          :checked="shownOn(one)"
          @change="moves.set(target, field.key, one, ($event.target as HTMLInputElement).checked)"
        />
        {{ SCREENS[one].name }}
      </label>
    </span>
  </div>
  <div v-else class="field" :class="{ tall }">
    <span :id="`label-${field.key}`" class="label">{{ field.label }}</span>
    <FieldControl
      :field="field"
      :explained="explained"
      :labelledby="`label-${field.key}`"
      :verdict="verdict"
      @set="set"
    />
    <span class="mark"><span v-if="own" class="dot" title="Set here" /></span>
    <span v-if="keepers" class="source keepers"><span class="dot" aria-hidden="true" /> {{ keepers }}</span>
    <span v-if="source" class="source">
      <template v-if="own">
        <b class="signal">{{ source }}</b>
        <button class="quiet" :aria-label="`Rejoin ${field.label}`" @click="set(null)">Rejoin</button>
      </template>
      <template v-else>{{ source }}</template>
    </span>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr) 12px;
  gap: 2px 8px;
  align-items: center;
  padding: 4px 12px 4px 14px;
}
.label {
  color: var(--soft);
}
.mark {
  text-align: right;
}
.source {
  grid-column: 2 / 4;
  color: var(--soft);
  font-size: 11px;
}
.source .quiet {
  margin-left: 2px;
  padding: 0 2px;
  font-size: 11px;
}
.tall {
  grid-template-columns: minmax(0, 1fr) 12px;
}
.tall .label,
.tall .source {
  grid-column: 1 / -1;
}
.screens {
  display: flex;
  gap: 12px;
}
.screens label {
  display: flex;
  gap: 4px;
  align-items: center;
}
.screens input {
  accent-color: var(--accent);
}
</style>
