<script setup lang="ts">
import { ref, watch } from "vue";

/** A colour as `#RRGGBB`: typed, or chosen with the browser's own picker. */
const props = defineProps<{ modelValue: string; labelledby: string }>();
const emit = defineEmits<{ "update:modelValue": [value: string] }>();
const typed = ref(props.modelValue);
watch(
  () => props.modelValue,
  (value) => (typed.value = value),
);

function keep(): void {
  const text = typed.value.trim();
  const colour = text.startsWith("#") ? text : `#${text}`;
  if (/^#[0-9a-f]{6}$/i.test(colour)) {
    if (colour.toUpperCase() !== props.modelValue.toUpperCase()) emit("update:modelValue", colour.toUpperCase());
  } else typed.value = props.modelValue;
}
</script>

<template>
  <span class="colour">
    <input
      type="color"
      :value="modelValue"
      :aria-labelledby="labelledby"
      @change="emit('update:modelValue', ($event.target as HTMLInputElement).value.toUpperCase())"
    />
    <input
      v-model="typed"
      maxlength="7"
      spellcheck="false"
      :aria-labelledby="labelledby"
      @blur="keep"
      @keydown.enter="keep"
    />
  </span>
</template>

<style scoped>
.colour {
  display: flex;
  gap: 6px;
  align-items: center;
}
input[type="color"] {
  width: 34px;
  height: 28px;
  padding: 2px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
}
input:not([type]) {
  width: 82px;
  padding: 4px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
}
</style>
