<script setup lang="ts">
import { ref } from "vue";

/** Files of the computer, asked for by `open`. The same file can be picked again. */
const emit = defineEmits<{ picked: [files: File[]] }>();
const field = ref<HTMLInputElement | null>(null);
function take(): void {
  const files = [...(field.value?.files ?? [])];
  if (field.value) field.value.value = "";
  if (files.length > 0) emit("picked", files);
}
defineExpose({ open: () => field.value?.click() });
</script>

<template>
  <input ref="field" type="file" hidden @change="take" />
</template>
