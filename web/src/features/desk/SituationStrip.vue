<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../../api/client";
import ActsMenu from "../../ui/menu/ActsMenu.vue";
import SheetMenu from "../../ui/menu/SheetMenu.vue";
import VisitParts from "../../ui/visit/VisitParts.vue";
import KeepMenu from "./KeepMenu.vue";
import LeafMenu from "./LeafMenu.vue";
import MoodMenu from "./MoodMenu.vue";
import type { PricesMood, SaleMood, StockMood } from "./types";
import type { SituationControl } from "./useSituation";
import MomentInput from "../../ui/fields/MomentInput.vue";
import { say } from "../../words";

const props = defineProps<{ situation: SituationControl }>();
const { facts, choice, stock, sale, soon, prices, day, language, plan, told } = props.situation;

/** What is to be had, and what isn't sold yet, are one question to a shopper. */
const STOCK: [StockMood | "soon", string][] = [
  ["as_it_is", say("situation-strip-as-it-is")],
  ["plenty", say("situation-strip-plenty")],
  ["few", say("situation-strip-few")],
  ["none", say("situation-strip-none")],
  ["soon", say("situation-strip-coming-soon")],
];
const supply = computed({
  get: () => (soon.value ? "soon" : stock.value),
  set: (mood: StockMood | "soon") => {
    soon.value = mood === "soon";
    stock.value = mood === "soon" ? "as_it_is" : mood;
  },
});
const SALE: [SaleMood, string][] = [
  ["as_it_is", say("situation-strip-as-it-is")],
  ["on", say("situation-strip-on")],
  ["off", say("situation-strip-off")],
];
const PRICES: [PricesMood, string][] = [
  ["as_it_is", say("situation-strip-force")],
  ["draft", say("situation-strip-draft")],
];
const otherPrices = computed(() => prices.value === "draft" || facts.value?.prices_wait);
const LANGUAGES: [Schemas["Language"], string][] = [
  ["en", "English"],
  ["de", "Deutsch"],
];
const states = {
  open: "",
  sold_out: say("situation-strip-sold-out"),
  not_made: say("situation-strip-not-made"),
} as const;
const dated = computed(() => day.value !== "");

function chosen(option: Schemas["ProductOption"], at: number): Schemas["ProductValue"] | undefined {
  const value = facts.value?.chosen[at];
  return value === null || value === undefined ? undefined : option.values[value];
}

function cloth(value: Schemas["ProductValue"] | undefined): string | undefined {
  if (value?.swatch.kind !== "colours") return undefined;
  const [a, b = a] = value.swatch.colours;
  return `linear-gradient(135deg, ${a} 50%, ${b} 50%)`;
}
const plans = computed((): [string, string][] => {
  const all = (facts.value?.plans ?? []).map((one): [string, string] => [`${one.id}`, one.says]);
  return facts.value?.once ? [["0", say("situation-strip-once")], ...all] : all;
});
const byPlan = computed({
  get: () => (plans.value.some(([id]) => id === `${plan.value}`) ? `${plan.value}` : (plans.value[0]?.[0] ?? "0")),
  set: (id) => (plan.value = Number(id)),
});
</script>

<template>
  <div class="strip" role="region" :aria-label="say('situation-strip-situation')">
    <LeafMenu :situation="situation" />
    <ActsMenu v-for="(option, at) in facts?.options ?? []" :key="option.id">
      <template #button="{ menu }">
        <button v-bind="menu" class="part">
          {{ option.name }}
          <i v-if="cloth(chosen(option, at))" :style="{ background: cloth(chosen(option, at)) }" />
          <b>{{ chosen(option, at)?.name ?? say("situation-strip-not-chosen") }}</b>
        </button>
      </template>
      <v-list-item
        v-for="(value, v) in option.values"
        :key="value.id"
        :title="value.name"
        :subtitle="states[facts?.states[at]?.[v]?.state ?? 'open']"
        :active="facts?.chosen[at] === v"
        @click="choice = facts?.states[at]?.[v]?.choice ?? null"
      />
    </ActsMenu>
    <MoodMenu v-model="supply" :name="say('situation-strip-stock')" :moods="STOCK" />
    <MoodMenu v-model="sale" :name="say('situation-strip-sale')" :moods="SALE" />
    <MoodMenu v-if="otherPrices" v-model="prices" :name="say('situation-strip-prices')" :moods="PRICES" />
    <MoodMenu v-if="facts?.plans.length" v-model="byPlan" :name="say('situation-strip-plan')" :moods="plans" />
    <VisitParts :visit="situation.visit" />
    <SheetMenu :label="say('situation-strip-day')">
      <template #button="{ menu }">
        <button v-bind="menu" class="part">
          {{ say("situation-strip-day") }} <b>{{ dated ? day : say("situation-strip-today") }}</b>
        </button>
      </template>
      <label
        >{{ say("situation-strip-page") }} <MomentInput v-model="day" :none="say('situation-strip-today')" day
      /></label>
      <button v-if="dated" class="quiet" @click="day = ''">{{ say("situation-strip-today-again") }}</button>
    </SheetMenu>
    <MoodMenu v-model="language" name="" :label="say('situation-strip-read')" :moods="LANGUAGES" />
    <KeepMenu :situation="situation" />
    <button v-if="told" class="quiet" @click="situation.plain()">{{ say("situation-strip-now") }}</button>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  align-items: center;
  gap: 3px 6px;
  flex-wrap: wrap;
  min-height: 46px;
  padding: 6px 14px;
  border-bottom: 1px solid var(--line);
  background: var(--head);
}
.part i {
  width: 12px;
  height: 12px;
  border-radius: 50%;
  box-shadow: inset 0 0 0 1px var(--rim);
}
</style>
