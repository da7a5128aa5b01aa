<script setup lang="ts">
import { onMounted } from "vue";
import { type JournalOf, type JournalStep, useHistory } from "../session/useJournal";
import ProblemNote from "./ProblemNote.vue";

/** What was done, by whom and when; each step can be taken back, and all since one of them. */
const props = defineProps<{ of: JournalOf; name: string }>();
const emit = defineEmits<{ close: []; changed: [] }>();
const { steps, problem, load, undoStep, bringBack } = useHistory(() => props.of);
onMounted(load);

async function back(step: JournalStep, all: boolean): Promise<void> {
  if (await (all ? bringBack(step.id) : undoStep(step.id))) emit("changed");
}
function when(at: string): string {
  return new Date(at).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });
}
</script>

<template>
  <v-dialog model-value max-width="680" scrollable aria-label="History" @update:model-value="emit('close')">
    <div class="dialog-sheet">
      <h1>History of {{ name }}</h1>
      <ProblemNote :problem="problem" />
      <v-progress-linear v-if="steps === null" indeterminate color="primary" />
      <p v-else-if="steps.length === 0" class="soft">Nothing was done to it yet.</p>
      <ol v-else tabindex="0" aria-label="Steps, the newest first">
        <li v-for="(step, place) in steps" :key="step.id" :class="{ back: step.taken_back }">
          <span class="what">{{ step.told }}</span>
          <small class="soft">
            {{ step.who ?? "At the start" }} · {{ when(step.at) }}
            <template v-if="step.taken_back"> · {{ step.turns ? "made again" : "taken back" }} since</template>
          </small>
          <!-- A product's first step is its making: it is taken away from the shelf. -->
          <span class="acts">
            <button
              v-if="!step.taken_back && !step.turns && step.who && !(of.product && place === steps.length - 1)"
              class="quiet"
              :aria-label="`Take back: ${step.told}`"
              @click="back(step, false)"
            >
              Take back
            </button>
            <button
              v-if="place > 0 && of.product"
              class="quiet"
              :aria-label="`Back to this: ${step.told}`"
              title="Takes back everything that was done since, by everybody"
              @click="back(step, true)"
            >
              Back to this
            </button>
          </span>
        </li>
      </ol>
      <div class="foot">
        <v-btn variant="text" @click="emit('close')">Close</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped src="./form.css"></style>
<style scoped src="./steps.css"></style>
<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 12px;
  align-items: center;
}
.what {
  overflow-wrap: anywhere;
}
small {
  grid-row: 2;
}
.acts {
  display: flex;
  grid-row: 1 / span 2;
  gap: 6px;
  white-space: nowrap;
}
.back .what {
  color: var(--soft);
  text-decoration: line-through;
}
.foot {
  display: flex;
  justify-content: end;
}
</style>
