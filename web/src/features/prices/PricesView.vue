<script setup lang="ts">
import { computed, ref } from "vue";
import DraftHead from "../../ui/DraftHead.vue";
import ProblemNote from "../../ui/ProblemNote.vue";
import MovesDialog from "./MovesDialog.vue";
import PriceBench from "./PriceBench.vue";
import RulePanel from "./RulePanel.vue";
import TimeLine from "./TimeLine.vue";
import { type PricesView, usePrices } from "./usePrices";

const control = usePrices();
const { view, problem, waiting, read, change, undo } = control;
const chosen = ref<number | null>(null);
const publishing = ref(false);

const ROUNDS = [
  { step: 1, title: "the smallest coin" },
  { step: 5, title: "5" },
  { step: 10, title: "10" },
  { step: 50, title: "50" },
  { step: 100, title: "100" },
];
const PLACES: { place: keyof PricesView["places"]; title: string }[] = [
  { place: "page", title: "on pages" },
  { place: "card", title: "on cards" },
  { place: "quick", title: "in quick looks" },
];
const together = computed({
  get: () => view.value?.together ?? "best_one",
  set: (now) => void change({ together: now }),
});
function round(event: Event): void {
  if (!view.value) return;
  const step = Number((event.target as HTMLSelectElement).value);
  void change({ rounding: { ...view.value.rounding, step } });
}
function down(event: Event): void {
  if (!view.value) return;
  void change({ rounding: { ...view.value.rounding, down: (event.target as HTMLSelectElement).value === "down" } });
}
function policy(place: keyof PricesView["places"], event: Event): void {
  if (!view.value) return;
  const now = (event.target as HTMLSelectElement).value as PricesView["places"]["page"];
  void change({ places: { ...view.value.places, [place]: now } });
}
</script>

<template>
  <main class="prices">
    <DraftHead
      title="Prices"
      :changes="view?.changes_not_live ?? 0"
      :can-undo="view?.can_undo ?? false"
      :waiting="waiting"
      @undo="undo"
      @publish="publishing = true"
    />
    <div v-if="view" class="halves">
      <div class="left">
        <ProblemNote :problem="problem" @retry="read" />
        <div class="head">
          <h2>Rules</h2>
          <label>
            <span class="soft">where several are for one thing:</span>
            <select v-model="together" aria-label="Where several rules are for one thing">
              <option value="best_one">the one with the lowest price</option>
              <option value="in_order">one after another, in this order</option>
            </select>
          </label>
          <span class="space" />
          <button class="quiet" @click="chosen = view.free">New rule</button>
        </div>
        <TimeLine :view="view" :chosen="chosen" @choose="(id) => (chosen = id)" />
        <PriceBench :view="view" />
      </div>
      <aside class="right">
        <template v-if="chosen !== null">
          <div class="head">
            <h2>{{ view.rules.some((rule) => rule.id === chosen) ? "Rule" : "New rule" }}</h2>
            <span class="space" />
            <button class="quiet" @click="chosen = null">Close</button>
          </div>
          <RulePanel :id="chosen" :key="chosen" :control="control" @gone="chosen = null" />
        </template>
        <template v-else>
          <h2>Old prices that rules bring</h2>
          <label v-for="{ place, title } in PLACES" :key="place">
            <span class="soft">{{ title }}</span>
            <select :value="view.places[place]" @change="policy(place, $event)">
              <option value="with_quantity">as the shopper raises the number</option>
              <option value="once_earned">once the cart has earned it</option>
              <option value="at_once">at once, with the condition</option>
            </select>
          </label>
          <h2>Rounding after a percentage</h2>
          <label>
            <span class="soft">Way</span>
            <select :value="view.rounding.down ? 'down' : 'near'" @change="down">
              <option value="near">to the nearest, halves up</option>
              <option value="down">down</option>
            </select>
          </label>
          <label>
            <span class="soft">To</span>
            <select :value="view.rounding.step" @change="round">
              <option v-for="one in ROUNDS" :key="one.step" :value="one.step">{{ one.title }}</option>
            </select>
          </label>
          <p class="soft">The shop's clocks: {{ view.now.replace("T", ", ") }}. Choose a rule to change it.</p>
        </template>
      </aside>
    </div>
    <template v-else>
      <ProblemNote class="alone" :problem="problem" @retry="read" />
      <v-progress-linear v-if="!problem" indeterminate color="primary" />
    </template>
    <MovesDialog v-model="publishing" :control="control" />
  </main>
</template>

<style scoped>
.prices {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - 48px);
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
.right > label {
  display: grid;
  gap: 2px;
}
.right > h2 + label {
  margin-top: -4px;
}
.right > label + h2 {
  margin-top: 10px;
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
select {
  padding: 4px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
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
