<script setup lang="ts">
import { computed } from "vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import type { PricesView, RuleView } from "./usePrices";
import { LOCALE, say } from "../../words";

/** The rules as bars on a time line: from a month ago to four months ahead. */
const props = defineProps<{ view: PricesView; chosen: number | null }>();
defineEmits<{ choose: [id: number] }>();

const DAY = 86_400_000;
const days = { back: 30, ahead: 150 };
const now = computed(() => Date.parse(`${props.view.now}Z`));
const start = computed(() => now.value - days.back * DAY);
const share = (moment: number): number =>
  Math.min(100, Math.max(0, ((moment - start.value) / ((days.back + days.ahead) * DAY)) * 100));
const months = computed(() => {
  const all: { at: number; name: string }[] = [];
  const month = new Date(start.value);
  month.setUTCDate(1);
  for (let i = 0; i < 7; i += 1) {
    month.setUTCMonth(month.getUTCMonth() + 1);
    const at = share(month.getTime());
    if (at > 0 && at < 100 && Math.abs(at - share(now.value)) > 5)
      all.push({ at, name: month.toLocaleString(LOCALE, { month: "short", timeZone: "UTC" }) });
  }
  return all;
});
function bar(rule: RuleView): { left: string; width: string } {
  const from = rule.from === "" ? 0 : share(Date.parse(`${rule.from}Z`));
  const until = rule.until === "" ? 100 : share(Date.parse(`${rule.until}Z`));
  return { left: `${from}%`, width: `${Math.max(0.6, until - from)}%` };
}
const STATES: Record<RuleView["state"], string> = {
  in_force: say("time-line-force"),
  planned: say("time-line-planned"),
  over: say("time-line-over"),
  off: say("time-line-off"),
};
const dated = (rule: RuleView): string => {
  const day = (text: string): string =>
    new Date(`${text}Z`).toLocaleString(LOCALE, { day: "numeric", month: "short", timeZone: "UTC" });
  if (rule.from && rule.until) return say("time-line-to", { from: day(rule.from), until: day(rule.until) });
  if (rule.from) return say("time-line-from", { from: day(rule.from) });
  return rule.until ? say("time-line-until", { until: day(rule.until) }) : say("time-line-always");
};
const named = (id: number): string => props.view.rules.find((rule) => rule.id === id)?.name ?? "";
</script>

<template>
  <div class="lines" role="list" :aria-label="say('time-line-rules-time-line')">
    <div class="axis" aria-hidden="true">
      <span class="what" />
      <span class="time">
        <i v-for="month in months" :key="month.name" :style="{ left: `${month.at}%` }">{{ month.name }}</i>
        <b :style="{ left: `${share(now)}%` }">{{ say("time-line-now") }}</b>
      </span>
    </div>
    <div v-for="rule in view.rules" :key="rule.id" role="listitem">
      <button class="rule" :class="{ chosen: rule.id === chosen }" @click="$emit('choose', rule.id)">
        <span class="what">
          <b>{{ rule.name }}</b>
          <span class="soft"> {{ rule.says }} · {{ say("time-line-products", { products: rule.products }) }} </span>
          <span v-if="rule.meets.length" class="signal">{{
            say("time-line-overlaps", { meets: rule.meets.map(named).join(", ") })
          }}</span>
          <span v-if="rule.products === 0" class="signal">{{ say("time-line-reaches-nothing") }}</span>
        </span>
        <span class="time">
          <span class="bar" :class="rule.state" :style="bar(rule)" />
          <span class="now" :style="{ left: `${share(now)}%` }" />
          <span class="soft when">{{ STATES[rule.state] }} · {{ dated(rule) }}</span>
        </span>
      </button>
    </div>
    <EmptyPlace v-if="view.rules.length === 0">{{ say("time-line-there-no-rules-yet") }}</EmptyPlace>
  </div>
</template>

<style scoped>
.lines {
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--field);
}
.axis,
.rule {
  display: grid;
  grid-template-columns: minmax(190px, 2fr) 3fr;
  gap: 12px;
  width: 100%;
  padding: 8px 12px;
  text-align: left;
}
.axis {
  height: 28px;
  padding-block: 6px 0;
  border-bottom: 1px solid var(--line);
  font-size: 11px;
}
.axis i,
.axis b {
  position: absolute;
  color: var(--soft);
  font-style: normal;
  white-space: nowrap;
  translate: -50% 0;
}
.axis b {
  color: var(--accent);
}
.rule + .rule,
div + div > .rule {
  border-top: 1px solid var(--hair);
}
.rule:hover {
  background: var(--head);
}
.rule.chosen {
  background: var(--accent-weak);
}
.rule.chosen .soft {
  color: var(--soft);
}
.what {
  display: grid;
  gap: 1px;
  min-width: 0;
  overflow-wrap: anywhere;
}
.time {
  position: relative;
  min-height: 34px;
}
.bar {
  position: absolute;
  top: 3px;
  height: 10px;
  border-radius: 5px;
  background: var(--accent);
}
.bar.planned {
  background: repeating-linear-gradient(135deg, var(--accent) 0 4px, var(--accent-line) 4px 8px);
}
.bar.over,
.bar.off {
  background: var(--off);
}
.now {
  position: absolute;
  top: -4px;
  bottom: 14px;
  border-left: 1px solid var(--accent);
}
.when {
  position: absolute;
  bottom: 0;
  left: 0;
  font-size: 12px;
}
</style>
