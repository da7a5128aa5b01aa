<script setup lang="ts">
import { computed } from "vue";
import { useDraftForm } from "../../session/useDraftField";
import MetNote from "../../ui/notes/MetNote.vue";
import ReachPick from "./ReachPick.vue";
import { type PlanForm, type PricesControl, planFormOf } from "./usePrices";
import MoneyInput from "../../ui/fields/MoneyInput.vue";
import NumberInput from "../../ui/fields/NumberInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import PickField from "../../ui/fields/PickField.vue";
import { say } from "../../words";

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
  reach: say("plan-panel-what"),
  every: say("plan-panel-how-often"),
  period: say("plan-panel-weeks-months"),
  percent: say("plan-panel-what-saves"),
  saved_on: say("plan-panel-which-deliveries"),
  once: say("plan-panel-whether-can-bought-just"),
};
const keep = () => draft.keep(props.control.keepPlan);
async function remove(): Promise<void> {
  if (await props.control.removePlan(props.id)) emit("gone");
}
</script>

<template>
  <form class="panel" :aria-label="say('plan-panel-chosen-plan')" @submit.prevent="keep">
    <MetNote :met="met.map((field) => CALLED[field] ?? field)" @take="met.forEach(takeTheirs)" />
    <ReachPick v-model="form.reach" :view="control.view.value" />
    <div class="line">
      <span class="soft">{{ say("plan-panel-every") }}</span>
      <NumberInput v-model="form.every" :least="1" :most="52" :aria-label="say('plan-panel-every-so-many')" />
      <PickField v-model="form.period" :aria-label="say('plan-panel-weeks-months-b')">
        <option value="weeks">{{ say("plan-panel-weeks") }}</option>
        <option value="months">{{ say("plan-panel-months") }}</option>
      </PickField>
    </div>
    <div class="line">
      <span class="soft">{{ say("plan-panel-saves") }}</span>
      <MoneyInput v-model="form.percent" :aria-label="say('plan-panel-saves-percent')" />
      <span class="soft">%</span>
      <PickField v-model="form.saved_on" :aria-label="say('plan-panel-which-deliveries-b')">
        <option value="all">{{ say("plan-panel-every-time") }}</option>
        <option value="first">{{ say("plan-panel-first-time") }}</option>
      </PickField>
    </div>
    <label class="line">
      <TickBox v-model="form.once" />
      <span>{{ say("plan-panel-can-bought-just-once") }}</span>
    </label>
    <div class="line">
      <v-btn type="submit" variant="outlined" :disabled="!changed">{{ say("plan-panel-save") }}</v-btn>
      <span class="space" />
      <button v-if="known" type="button" class="quiet" @click="remove">{{ say("plan-panel-remove") }}</button>
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
.space {
  flex: 1;
}
</style>
