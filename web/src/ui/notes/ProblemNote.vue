<script setup lang="ts">
import type { ApiError } from "../../api/client";
import type { Overtaken } from "../../session/useSteps";
import { say } from "../../words";

/** What went wrong, in its own words; with a way to try again where there is one. */
defineProps<{
  problem: ApiError | null;
  onRetry?: () => unknown;
  /** A step before which somebody else's came. */
  overtaken?: Overtaken | null;
}>();
</script>

<template>
  <div v-if="overtaken || problem" class="notes">
    <div v-if="overtaken" class="note" role="alert">
      <span>{{ overtaken.told.message }}</span>
      <button type="button" class="quiet" @click="overtaken.mine">{{ say("problem-note-mine-place-theirs") }}</button>
      <button type="button" class="quiet" @click="overtaken.theirs">{{ say("problem-note-leave-theirs") }}</button>
    </div>
    <div v-if="problem" class="note" role="alert">
      <span>{{ problem.message }}</span>
      <button v-if="onRetry" type="button" class="quiet" @click="onRetry">{{ say("problem-note-try-again") }}</button>
    </div>
  </div>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 6px;
}
.note {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 14px;
  border: 1px solid var(--signal-line);
  border-radius: 6px;
  background: var(--signal-weak);
}
.note span {
  flex: 1;
}
</style>
