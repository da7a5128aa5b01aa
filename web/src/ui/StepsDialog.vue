<script setup lang="ts" generic="T extends { id: number }">
import type { ApiError } from "../api/client";
import ProblemNote from "./notes/ProblemNote.vue";
import DialogSheet from "./DialogSheet.vue";
import { say } from "../words";
import ProgressLine from "./notes/ProgressLine.vue";

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
  <DialogSheet
    :title="title"
    :label="label"
    :width="width ?? 560"
    :leave="say('steps-dialog-close')"
    @close="emit('close')"
  >
    <ProblemNote :problem="problem" />
    <ProgressLine v-if="steps === null" />
    <p v-else-if="steps.length === 0" class="soft">{{ empty }}</p>
    <ol v-else tabindex="0" :aria-label="list">
      <slot v-for="(step, place) in steps" :key="step.id" :step="step" :place="place" />
    </ol>
  </DialogSheet>
</template>

<style scoped>
ol {
  display: grid;
  margin: 0;
  padding: 0;
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
