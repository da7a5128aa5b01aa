<script setup lang="ts">
/** A number that is found by sliding; it is taken where one lets go. */
defineProps<{ value: number; least: number; most: number }>();
const emit = defineEmits<{ take: [number: number] }>();
</script>

<template>
  <input
    class="slide"
    type="range"
    :min="least"
    :max="most"
    :value="value"
    @change="emit('take', Number(($event.target as HTMLInputElement).value))"
  />
</template>

<style scoped>
.slide {
  min-width: 40px;
  accent-color: var(--accent);
}
/* Grey otherwise, where the colour is given to the track alone. */
.slide::-moz-range-thumb {
  width: 14px;
  height: 14px;
  border: 0;
  background: var(--accent);
}
</style>
