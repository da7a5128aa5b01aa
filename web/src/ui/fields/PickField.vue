<script setup lang="ts" generic="T extends string | number | boolean | null">
import { mdiMenuDown } from "@mdi/js";
import { computed, nextTick, ref } from "vue";

/** One of a few values, picked from a list that opens: told by `options`, or by `<option>`s in the slot. */
defineOptions({ inheritAttrs: false });
const value = defineModel<T>({ required: true });
defineProps<{
  options?: { value: T; says: string; off?: boolean }[];
  /** What it is called; without one, `aria-label` or a label around it says it. */
  label?: string;
  /** Whether the name stands beside it and not above. */
  beside?: boolean;
}>();
const list = ref<HTMLSelectElement | null>(null);
const picked = computed({
  get: () => value.value,
  set: async (now) => {
    value.value = now;
    // What isn't taken, as where a list only begins something, isn't shown as if it were.
    await nextTick();
    for (const one of list.value?.options ?? []) {
      one.selected = ("_value" in one ? one._value : one.value) === value.value;
    }
  },
});
</script>

<template>
  <component :is="label ? 'label' : 'span'" class="field" :class="{ beside }">
    <span v-if="label" class="called">{{ label }}</span>
    <span class="pick-one">
      <select ref="list" v-model="picked" class="control" v-bind="$attrs">
        <option v-for="one in options" :key="String(one.value)" :value="one.value" :disabled="one.off">
          {{ one.says }}
        </option>
        <slot />
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
