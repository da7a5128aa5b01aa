<script setup lang="ts">
import { say } from "../../words";

/** That something takes its time, and how far it is where that is known; stopped where `onStop` says how. */
const props = defineProps<{
  label?: string;
  /** Done so far, of so many. */
  done?: number;
  of?: number;
  onStop?: () => unknown;
}>();
</script>

<template>
  <div class="progress">
    <v-progress-linear
      color="primary"
      :indeterminate="props.of === undefined"
      :model-value="props.of ? (100 * (props.done ?? 0)) / props.of : 0"
      :aria-label="label ?? say('progress-line-on-its-way')"
    />
    <button v-if="onStop" type="button" class="quiet" @click="onStop">{{ say("progress-line-stop") }}</button>
  </div>
</template>

<style scoped>
.progress {
  display: flex;
  gap: 12px;
  align-items: center;
  min-width: 0;
}
</style>
