<script setup lang="ts">
import type { ApiError } from "../api/client";

/** What went wrong, in its own words; with a way to try again where there is one. */
defineProps<{
  problem: ApiError | null;
  onRetry?: () => unknown;
  /** Takes one's own step where somebody else's came first. */
  mine?: (() => unknown) | null;
}>();
</script>

<template>
  <div v-if="problem" class="note" role="alert">
    <span>{{ problem.message }}</span>
    <button v-if="mine" type="button" class="quiet" @click="mine()">Mine in place of theirs</button>
    <button v-else-if="onRetry" type="button" class="quiet" @click="onRetry">Try again</button>
  </div>
</template>

<style scoped>
.note {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 14px;
  border: 1px solid #e7b79e;
  border-radius: 6px;
  background: var(--signal-weak);
}
</style>
