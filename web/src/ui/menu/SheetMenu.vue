<script setup lang="ts">
/** A small sheet with fields below a button; it stays open while one works in it. */
defineProps<{
  /** What the sheet is about; without it what lies in it says so itself and brings its own looks. */
  label?: string;
  /** It closes as soon as something in it is clicked. */
  once?: boolean;
}>();
const open = defineModel<boolean>({ default: false });
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="once">
    <template #activator="{ props: menu }"><slot name="button" :menu="menu" /></template>
    <div v-if="label" class="sheet" role="region" :aria-label="label"><slot /></div>
    <slot v-else />
  </v-menu>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 8px;
  width: 260px;
  padding: 12px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  box-shadow: var(--shadow);
}
.sheet :slotted(p) {
  margin: 0;
}
</style>
