<script setup lang="ts">
import { computed, shallowRef } from "vue";
import type { ApiError } from "../../api/client";
import type { Overtaken } from "../../session/useSteps";
import { say } from "../../words";

/** What went wrong, in its own words; with a way to try again where that may help. */
const props = defineProps<{
  problem: ApiError | null;
  onRetry?: () => unknown;
  /** A step before which somebody else's came. */
  overtaken?: Overtaken | null;
}>();
/** Of what was asked for itself: it would be the same again. */
const FINAL = [
  "refused",
  "taken_before",
  "too_large",
  "unreadable",
  "not_found",
  "no_step",
  "rearranged",
  "revision_mismatch",
];
const understood = shallowRef<ApiError | null>(null);
const told = computed(() => (props.problem === understood.value ? null : props.problem));
</script>

<template>
  <div v-if="overtaken || told" class="notes">
    <div v-if="overtaken" class="note" role="alert">
      <span>{{ overtaken.told.message }}</span>
      <button type="button" class="quiet" @click="overtaken.mine">{{ say("problem-note-mine-place-theirs") }}</button>
      <button type="button" class="quiet" @click="overtaken.theirs">{{ say("problem-note-leave-theirs") }}</button>
    </div>
    <div v-if="told" class="note" role="alert">
      <span>{{ told.message }}</span>
      <template v-if="onRetry">
        <button v-if="FINAL.includes(told.code)" type="button" class="quiet" @click="understood = told">
          {{ say("notice-note-understood") }}
        </button>
        <button v-else type="button" class="quiet" @click="onRetry">{{ say("problem-note-try-again") }}</button>
      </template>
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
