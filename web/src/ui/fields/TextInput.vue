<script setup lang="ts">
import { ref } from "vue";

/** A line of text. Without its dress it takes the look of where it stands: a cell, a title. */
const text = defineModel<string>({ default: "" });
defineProps<{ bare?: boolean }>();
const field = ref<HTMLInputElement | null>(null);
defineExpose({
  focus: () => field.value?.focus({ preventScroll: true }),
  select: () => field.value?.select(),
});
</script>

<template>
  <input ref="field" v-model="text" :class="{ control: !bare }" autocomplete="off" />
</template>
