<script setup lang="ts">
import { say } from "../../words";

/** Something that was done or found, with what can be done about it; it stays until it is understood. */
defineProps<{
  /** Lines one below another rather than beside each other. */
  lines?: boolean;
  onUnderstood?: () => unknown;
}>();
</script>

<template>
  <div class="notice" :class="{ lines }" role="status">
    <slot />
    <button v-if="onUnderstood" type="button" class="quiet" @click="onUnderstood">
      {{ say("notice-note-understood") }}
    </button>
  </div>
</template>

<style scoped>
.notice {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding: 6px 14px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--accent-weak);
}
.lines {
  display: grid;
  justify-items: start;
}
.notice :slotted(p) {
  margin: 0;
}
.quiet,
.notice :slotted(.quiet) {
  white-space: nowrap;
}
</style>
