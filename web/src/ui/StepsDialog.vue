<script setup lang="ts" generic="T extends { id: number }">
import type { ApiError } from "../api/client";
import ProblemNote from "./ProblemNote.vue";

/** What was done, the newest first, in a dialog. */
defineProps<{
  title: string;
  label: string;
  /** What one of them is, for who hears the list read. */
  list: string;
  /** Nothing while they are being read. */
  steps: readonly T[] | null;
  empty: string;
  problem: ApiError | null;
  width?: number;
}>();
const emit = defineEmits<{ close: [] }>();
</script>

<template>
  <v-dialog model-value :max-width="width ?? 560" scrollable :aria-label="label" @update:model-value="emit('close')">
    <div class="dialog-sheet">
      <h1>{{ title }}</h1>
      <ProblemNote :problem="problem" />
      <v-progress-linear v-if="steps === null" indeterminate color="primary" />
      <p v-else-if="steps.length === 0" class="soft">{{ empty }}</p>
      <ol v-else tabindex="0" :aria-label="list">
        <slot v-for="(step, place) in steps" :key="step.id" :step="step" :place="place" />
      </ol>
      <div class="acts">
        <v-btn variant="text" @click="emit('close')">Close</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped src="./form.css"></style>
<style scoped>
ol {
  display: grid;
  max-height: 60vh;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  border-block: 1px solid var(--line);
  list-style: none;
}
ol :slotted(li) {
  padding: 7px 10px 7px 2px;
}
ol :slotted(li + li) {
  border-top: 1px solid var(--line);
}
</style>
