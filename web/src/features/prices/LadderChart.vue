<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../../api/client";
import { written } from "./usePrices";
import { say } from "../../words";

/** Unit price by quantity as steps; the one that is reached is filled. */
const props = defineProps<{ ladder: Schemas["Rung"][]; quantity: number }>();
const top = computed(() => props.ladder[0]?.unit.minor ?? 1);
const reached = computed(() => props.ladder.filter((rung) => rung.from <= props.quantity).length - 1);
const steps = computed(() =>
  props.ladder.map((rung, index) => {
    const next = props.ladder[index + 1]?.from;
    const pieces =
      next === undefined ? `${rung.from}+` : next - 1 > rung.from ? `${rung.from}–${next - 1}` : `${rung.from}`;
    return { ...rung, pieces, height: Math.max(8, (rung.unit.minor / Math.max(1, top.value)) * 92) };
  }),
);
</script>

<template>
  <figure :aria-label="say('ladder-chart-unit-price-quantity')">
    <div class="steps">
      <div v-for="(step, index) in steps" :key="step.from" :class="{ reached: index === reached }">
        <b>{{ written(step.unit) }}</b>
        <span class="bar" :style="{ height: `${step.height}px` }" />
        <span class="soft">{{ step.pieces }}</span>
      </div>
    </div>
    <figcaption class="soft">{{ say("ladder-chart-each-number-pieces") }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
.steps {
  display: flex;
  align-items: flex-end;
}
.steps > div {
  display: grid;
  flex: 1;
  gap: 2px;
  justify-items: center;
  font-size: 12px;
}
.bar {
  width: 100%;
  border: 1px solid var(--accent-line);
  border-bottom-color: var(--ink);
  background: var(--accent-weak);
}
.steps > div + div .bar {
  border-left: 0;
}
.reached .bar {
  background: var(--accent);
}
figcaption {
  margin-top: 4px;
  font-size: 12px;
}
</style>
