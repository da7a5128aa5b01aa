<script setup lang="ts" generic="T extends string | number | boolean | null">
/** One of a few values, picked from a list that opens. */
import { mdiMenuDown } from "@mdi/js";

defineOptions({ inheritAttrs: false });
const value = defineModel<T>({ required: true });
const props = defineProps<{
  options: { value: T; says: string; off?: boolean }[];
  /** What it is called; without one, `aria-label` says it. */
  label?: string;
  /** Whether the name stands beside it and not above. */
  beside?: boolean;
}>();
function take(event: Event): void {
  const { selectedIndex } = event.target as HTMLSelectElement;
  const one = props.options[selectedIndex];
  if (one) value.value = one.value;
}
</script>

<template>
  <component :is="label ? 'label' : 'span'" class="field" :class="{ beside }">
    <span v-if="label" class="called">{{ label }}</span>
    <span class="pick-one">
      <select class="control" :value="String(value)" v-bind="$attrs" @change="take">
        <option v-for="one in options" :key="String(one.value)" :value="String(one.value)" :disabled="one.off">
          {{ one.says }}
        </option>
      </select>
      <v-icon :icon="mdiMenuDown" size="18" aria-hidden="true" />
    </span>
  </component>
</template>

<style scoped>
.pick-one {
  position: relative;
  display: inline-grid;
  min-width: 0;
}
.control {
  padding-right: 24px;
  appearance: none;
  cursor: pointer;
  text-overflow: ellipsis;
}
.v-icon {
  position: absolute;
  top: calc(50% - 9px);
  right: 3px;
  color: var(--soft);
  pointer-events: none;
}
</style>
