<script setup lang="ts">
import { say } from "../../words";

/** What can be done with all products that are chosen. */
defineProps<{ count: number }>();
defineEmits<{ join: []; none: [] }>();
</script>

<template>
  <div class="chosen-bar" role="region" :aria-label="say('chosen-bar-chosen-products')">
    <b aria-live="polite">{{ say("chosen-bar-chosen", { count }) }}</b>
    <v-btn variant="flat" color="primary" @click="$emit('join')">{{ say("chosen-bar-make-siblings") }}</v-btn>
    <v-btn variant="text" @click="$emit('none')">{{ say("chosen-bar-let-go") }}</v-btn>
  </div>
</template>

<style scoped>
.chosen-bar {
  position: sticky;
  /* Above the line at the foot of all views. */
  bottom: 46px;
  z-index: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  justify-self: center;
  padding: 8px 10px 8px 16px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
  box-shadow: var(--shadow);
}
</style>
