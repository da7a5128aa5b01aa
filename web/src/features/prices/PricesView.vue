<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useRoute } from "vue-router";
import DraftHead from "../../ui/DraftHead.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import MovesDialog from "./MovesDialog.vue";
import PlanList from "./PlanList.vue";
import PlanPanel from "./PlanPanel.vue";
import PriceBench from "./PriceBench.vue";
import PriceWays from "./PriceWays.vue";
import RulePanel from "./RulePanel.vue";
import TimeLine from "./TimeLine.vue";
import { usePrices } from "./usePrices";
import PickField from "../../ui/fields/PickField.vue";
import { say } from "../../words";

const control = usePrices();
const { view, problem, overtaken, pending, load, change, undo, redo } = control;
const chosen = ref<number | null>(null);
const plan = ref<number | null>(null);
function choose(rule: number | null, ofPlans: number | null = null): void {
  [chosen.value, plan.value] = [rule, ofPlans];
}
// One that was gone to by its name is open.
const route = useRoute();
watch(
  () => Number(route.query.rule),
  (rule) => rule > 0 && choose(rule),
  { immediate: true },
);
const publishing = ref(false);

const together = computed({
  get: () => view.value?.together ?? "best_one",
  set: (now) => void change("together", now),
});
</script>

<template>
  <main class="prices">
    <DraftHead
      :where="{ name: 'price-changes' }"
      :title="say('prices-view-prices')"
      draft="prices"
      :revision="view?.revision ?? 0"
      :changes="view?.changes_not_live ?? 0"
      :can-undo="view?.can_undo ?? false"
      :can-redo="view?.can_redo ?? false"
      :waiting="pending"
      @undo="undo"
      @redo="redo"
      @changed="load"
      @publish="publishing = true"
    />
    <div v-if="view" class="halves">
      <div class="left">
        <ProblemNote :problem="problem" :overtaken="overtaken" @retry="load" />
        <div class="head">
          <h2>{{ say("prices-view-rules") }}</h2>
          <label>
            <span class="soft">{{ say("prices-view-where-several-one-thing") }}</span>
            <PickField v-model="together" :aria-label="say('prices-view-where-several-rules-one')">
              <option value="best_one">{{ say("prices-view-one-lowest-price") }}</option>
              <option value="in_order">{{ say("prices-view-one-after-another-order") }}</option>
            </PickField>
          </label>
          <span class="space" />
          <button class="quiet" @click="choose(view.free)">{{ say("prices-view-new-rule") }}</button>
        </div>
        <TimeLine :view="view" :chosen="chosen" @choose="(id) => choose(id)" />
        <div class="head">
          <h2>{{ say("prices-view-plans") }}</h2>
          <span class="space" />
          <button class="quiet" @click="choose(null, view.free_plan)">{{ say("prices-view-new-plan") }}</button>
        </div>
        <PlanList :view="view" :chosen="plan" @choose="(id) => choose(null, id)" />
        <PriceBench :view="view" />
      </div>
      <aside class="right">
        <template v-if="chosen !== null">
          <div class="head">
            <h2>
              {{
                view.rules.some((rule) => rule.id === chosen) ? say("prices-view-rule") : say("prices-view-new-rule")
              }}
            </h2>
            <span class="space" />
            <button class="quiet" @click="choose(null)">{{ say("prices-view-close") }}</button>
          </div>
          <RulePanel :id="chosen" :key="chosen" :control="control" @gone="choose(null)" />
        </template>
        <template v-else-if="plan !== null">
          <div class="head">
            <h2>
              {{ view.plans.some((one) => one.id === plan) ? say("prices-view-plan") : say("prices-view-new-plan") }}
            </h2>
            <span class="space" />
            <button class="quiet" @click="choose(null)">{{ say("prices-view-close") }}</button>
          </div>
          <PlanPanel :id="plan" :key="plan" :control="control" @gone="choose(null)" />
        </template>
        <PriceWays v-else :view="view" :control="control" />
      </aside>
    </div>
    <template v-else>
      <ProblemNote class="alone" :problem="problem" @retry="load" />
      <ProgressLine v-if="!problem" />
    </template>
    <MovesDialog v-model="publishing" :control="control" />
  </main>
</template>

<style scoped>
.prices {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - var(--top) - var(--foot));
  min-height: 560px;
}
.halves {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 320px;
  min-height: 0;
}
.left {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 12px;
  padding: 14px 18px 24px;
  overflow-y: auto;
}
.right {
  display: grid;
  align-content: start;
  gap: 10px;
  padding: 14px 16px 24px;
  overflow-y: auto;
  border-left: 1px solid var(--line);
  background: var(--sheet);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.head label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.space {
  flex: 1;
}
.alone {
  margin: 8px 18px;
}
@media (max-width: 900px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .prices {
    height: auto;
  }
}
</style>
