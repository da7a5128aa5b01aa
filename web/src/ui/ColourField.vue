<script setup lang="ts">
import TypedInput from "./TypedInput.vue";

/** A colour as `#RRGGBB`: typed, or chosen with the browser's own picker. */
const props = defineProps<{ modelValue: string; labelledby: string }>();
const emit = defineEmits<{ "update:modelValue": [value: string] }>();

function keep(text: string): true | null {
  const colour = text.startsWith("#") ? text : `#${text}`;
  if (!/^#[0-9a-f]{6}$/i.test(colour)) return null;
  if (colour.toUpperCase() !== props.modelValue.toUpperCase()) emit("update:modelValue", colour.toUpperCase());
  return true;
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
    <TypedInput :value="modelValue" :keep="keep" maxlength="7" spellcheck="false" :aria-labelledby="labelledby" />
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
  background: var(--field);
}
input:not([type]) {
  width: 82px;
}
</style>
