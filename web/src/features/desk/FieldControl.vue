<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from "vue";
import type { Field, Value } from "./types";

const props = defineProps<{ field: Field; explained: Field["wide"]; labelledby: string }>();
const emit = defineEmits<{ set: [value: Value] }>();

/** So many choices stand side by side; more of them, or long ones, are a list. */
const MOST_BUTTONS = 6;
const MOST_LETTERS = 26;
const PAUSE_MS = 400;

const value = computed(() => props.explained.value);
const shape = computed(() => props.field.shape);
const options = computed(() => ("options" in shape.value ? shape.value.options : []));
const asButtons = computed(() => {
  const letters = options.value.map((o) => o.label.length + 2).reduce((a, b) => a + b, 0);
  return options.value.length <= MOST_BUTTONS && letters <= MOST_LETTERS;
});

// What is being typed is kept after a pause and when the field is left.
const typed = ref("");
const shown = computed(() => (Array.isArray(value.value) ? value.value.join("\n") : String(value.value)));
watch(shown, (text) => (typed.value = text), { immediate: true });
let timer: ReturnType<typeof setTimeout> | undefined;

function later(): void {
  clearTimeout(timer);
  timer = setTimeout(keep, PAUSE_MS);
}

function keep(): void {
  clearTimeout(timer);
  if (typed.value === shown.value) return;
  const kind = shape.value.shape;
  if (kind === "lines")
    emit(
      "set",
      typed.value
        .split("\n")
        .map((line) => line.trim())
        .filter(Boolean),
    );
  else if (kind === "number") {
    const number = Number(typed.value);
    if (typed.value !== "" && Number.isInteger(number)) emit("set", number);
  } else emit("set", typed.value);
}
onBeforeUnmount(keep);
</script>

<template>
  <v-btn-toggle
    v-if="shape.shape === 'choice' && asButtons"
    :model-value="value"
    :aria-labelledby="labelledby"
    role="group"
    @update:model-value="(v: Value) => emit('set', v)"
  >
    <v-btn v-for="option in options" :key="String(option.value)" :value="option.value">{{ option.label }}</v-btn>
  </v-btn-toggle>
  <v-select
    v-else-if="shape.shape === 'choice'"
    :model-value="value"
    :items="options"
    item-title="label"
    item-value="value"
    :aria-labelledby="labelledby"
    @update:model-value="(v: Value) => emit('set', v)"
  />
  <v-switch
    v-else-if="shape.shape === 'flag'"
    :model-value="value"
    :aria-labelledby="labelledby"
    @update:model-value="(v) => emit('set', v === true)"
  />
  <v-textarea
    v-else-if="shape.shape === 'lines'"
    v-model="typed"
    :aria-labelledby="labelledby"
    rows="4"
    placeholder="One line for each"
    @update:model-value="later"
    @blur="keep"
  />
  <v-text-field
    v-else-if="shape.shape === 'number'"
    v-model="typed"
    type="number"
    :min="shape.least"
    :max="shape.most"
    :aria-labelledby="labelledby"
    @update:model-value="later"
    @blur="keep"
    @keydown.enter="keep"
  />
  <v-text-field
    v-else
    v-model="typed"
    :maxlength="shape.most"
    :aria-labelledby="labelledby"
    @update:model-value="later"
    @blur="keep"
    @keydown.enter="keep"
  />
</template>
