<script setup lang="ts">
import { onMounted } from "vue";
import { type JournalOf, type JournalStep, useHistory } from "../session/useJournal";
import StepsDialog from "./StepsDialog.vue";
import { when } from "./when";
import { say } from "../words";

/** What was done, by whom and when; each step can be taken back, and all since one of them. */
const props = defineProps<{ of: JournalOf; name: string }>();
const emit = defineEmits<{ close: []; changed: [] }>();
const { steps, problem, load, undoStep, bringBack } = useHistory(() => props.of);
onMounted(load);

async function back(step: JournalStep, all: boolean): Promise<void> {
  if (await (all ? bringBack(step.id) : undoStep(step.id))) emit("changed");
}
</script>

<template>
  <StepsDialog
    :width="680"
    :label="say('journal-dialog-history')"
    :title="say('journal-dialog-history-b', { name })"
    :list="say('journal-dialog-steps-newest-first')"
    :steps="steps"
    :empty="say('journal-dialog-nothing-was-done-yet')"
    :problem="problem"
    @close="emit('close')"
  >
    <template #default="{ step, place }">
      <li :class="{ back: step.taken_back }">
        <span class="what">{{ step.told }}</span>
        <small class="soft">
          {{ step.who ?? say("journal-dialog-start") }} · {{ when(step.at) }}
          <template v-if="step.taken_back">
            {{
              say("journal-dialog-since", {
                turns: step.turns ? say("journal-dialog-made-again") : say("journal-dialog-taken-back"),
              })
            }}</template
          >
        </small>
        <!-- A product's first step is its making: it is taken away from the shelf. -->
        <span class="acts">
          <button
            v-if="!step.taken_back && !step.turns && step.who && !(of.product && place === (steps?.length ?? 0) - 1)"
            class="quiet"
            :aria-label="say('journal-dialog-take-back', { told: step.told })"
            @click="back(step, false)"
          >
            {{ say("journal-dialog-take-back-b") }}
          </button>
          <button
            v-if="place > 0 && of.product"
            class="quiet"
            :aria-label="say('journal-dialog-back', { told: step.told })"
            :title="say('journal-dialog-takes-back-everything-was')"
            @click="back(step, true)"
          >
            {{ say("journal-dialog-back-b") }}
          </button>
        </span>
      </li>
    </template>
  </StepsDialog>
</template>

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
</style>
