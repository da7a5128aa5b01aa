<script setup lang="ts">
import { computed } from "vue";
import SwatchDot from "../../ui/SwatchDot.vue";
import type { BookOption } from "./useBook";
import { EYES } from "./words";
import { say } from "../../words";

/** Swatches that shoppers can't tell apart. */
const props = defineProps<{ option: BookOption }>();
const pairs = computed(() =>
  props.option.alike.flatMap((pair) => {
    const [first, second] = [pair.first, pair.second].map((id) => props.option.values.find((v) => v.id === id));
    return first && second ? [{ ...pair, one: first, two: second }] : [];
  }),
);
</script>

<template>
  <section class="alike" :aria-label="say('alike-list-too-alike')">
    <p v-for="pair in pairs" :key="`${pair.first} ${pair.second}`">
      <SwatchDot :swatch="pair.one.swatch" :size="18" />
      <SwatchDot :swatch="pair.two.swatch" :size="18" />
      <span>
        <b>{{ pair.one.name }}</b> {{ say("alike-list-and") }} <b>{{ pair.two.name }}</b>
        {{
          say("alike-list-look-alike-they-differ", {
            EYES: EYES[pair.eyes],
            difference: (pair.difference / 10).toFixed(1),
          })
        }}
      </span>
    </p>
  </section>
</template>

<style scoped>
.alike {
  display: grid;
  gap: 6px;
  padding: 10px 14px;
  border: 1px solid var(--signal-line);
  border-radius: 8px;
  background: var(--signal-weak);
}
p {
  display: flex;
  gap: 6px;
  align-items: center;
  margin: 0;
}
p span:last-child {
  margin-left: 4px;
}
</style>
