<script setup lang="ts">
import { computed } from "vue";
import { useDraftForm } from "../../session/useDraftField";
import MetNote from "../../ui/MetNote.vue";
import ReachPick from "./ReachPick.vue";
import { type PlanForm, type PricesControl, planFormOf } from "./usePrices";

/** What is set of a plan: how often, for what, and what it saves. */
const props = defineProps<{ control: PricesControl; id: number }>();
const emit = defineEmits<{ gone: [] }>();
const known = computed(() => props.control.view.value?.plans.find((plan) => plan.id === props.id));
const empty = (): PlanForm => ({
  id: props.id,
  reach: { of: "products", products: [] },
  every: 8,
  period: "weeks",
  percent: "10",
  saved_on: "all",
  once: true,
});
const { form, changed, met, takeTheirs, ...draft } = useDraftForm(
  () => `${props.id} ${known.value === undefined}`,
  () => (known.value ? planFormOf(known.value) : empty()),
);
const CALLED: Partial<Record<keyof PlanForm, string>> = {
  reach: "what it is for",
  every: "how often",
  period: "weeks or months",
  percent: "what it saves",
  saved_on: "on which deliveries",
  once: "whether it can be bought just once",
};
const keep = () => draft.keep(props.control.keepPlan);
async function remove(): Promise<void> {
  if (await props.control.removePlan(props.id)) emit("gone");
}
</script>

<template>
  <form class="panel" aria-label="The chosen plan" @submit.prevent="keep">
    <MetNote :met="met.map((field) => CALLED[field] ?? field)" @take="met.forEach(takeTheirs)" />
    <ReachPick v-model="form.reach" :view="control.view.value" />
    <div class="line">
      <span class="soft">every</span>
      <input v-model.number="form.every" type="number" min="1" max="52" aria-label="Every so many" />
      <select v-model="form.period" aria-label="Weeks or months">
        <option value="weeks">weeks</option>
        <option value="months">months</option>
      </select>
    </div>
    <div class="line">
      <span class="soft">saves</span>
      <input v-model="form.percent" inputmode="decimal" aria-label="Saves, in percent" />
      <span class="soft">%</span>
      <select v-model="form.saved_on" aria-label="On which deliveries">
        <option value="all">every time</option>
        <option value="first">the first time</option>
      </select>
    </div>
    <label class="line">
      <input v-model="form.once" type="checkbox" />
      <span>Can be bought just once, too</span>
    </label>
    <div class="line">
      <v-btn type="submit" variant="outlined" :disabled="!changed">Keep</v-btn>
      <span class="space" />
      <button v-if="known" type="button" class="quiet" @click="remove">Remove</button>
    </div>
  </form>
</template>

<style scoped>
.panel {
  display: grid;
  align-content: start;
  gap: 12px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
}
input:not([type="checkbox"]) {
  width: 62px;
}
input:not([type="checkbox"]),
select {
  min-width: 0;
  padding: 5px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
}
input[type="checkbox"] {
  accent-color: var(--accent);
}
.space {
  flex: 1;
}
</style>
