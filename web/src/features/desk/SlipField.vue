<script setup lang="ts">
import { computed } from "vue";
import FieldControl from "./FieldControl.vue";
import { injectMoves } from "./keys";
import type { Device, Field, Target, Value } from "./types";

const props = defineProps<{ field: Field; device: Device; target: Target }>();
const moves = injectMoves();

const explained = computed(() => (props.device === "phone" && props.field.phone) || props.field.wide);
/** Whether this very value was set here, on this screen. */
const own = computed(
  () => explained.value.source.level === "template" && explained.value.source.device === props.device,
);
const under = computed(() => explained.value.hides[0]);

const source = computed(() => {
  const { level, device } = explained.value.source;
  if (own.value) {
    const from = under.value?.source;
    if (from && from.device !== props.device && from.level !== "house") return "Differs from wide screens.";
    return "Differs from house style.";
  }
  if (props.device === "phone" && device === "wide") return level === "house" ? "" : "As on wide screens";
  return level === "house" && device === "phone" ? "House style for phones" : "";
});

function set(value: Value | null): void {
  void moves.set(props.target, props.field.key, props.device, value);
}
</script>

<template>
  <div class="field" :class="{ tall: field.shape.shape === 'lines' }">
    <span :id="`label-${field.key}`" class="label">{{ field.label }}</span>
    <FieldControl :field="field" :explained="explained" :labelledby="`label-${field.key}`" @set="set" />
    <span class="mark"><span v-if="own" class="dot" title="Set here" /></span>
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
</style>
