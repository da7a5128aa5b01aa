<script setup lang="ts">
import { computed } from "vue";
import TurnList from "./TurnList.vue";
import type { Shifted, TemplatesView } from "./useTemplates";

/** Which products another template serves then. */
const props = defineProps<{ shifted: Shifted; view: TemplatesView; live: boolean }>();
const MOST = 5;
const name = (id: number | null | undefined): string =>
  props.view.templates.find((one) => one.id === id)?.name ?? "no template";
const groups = computed(() => {
  const found = new Map<string, string[]>();
  for (const one of props.shifted.moves) {
    const way = `${name(one.from)} → ${name(one.to)}`;
    found.set(way, [...(found.get(way) ?? []), one.name]);
  }
  return [...found];
});
const says = computed(() => {
  if (props.shifted.count === 0)
    return props.shifted.ahead.length ? "No product changes its template at once." : "No product changes its template.";
  const some =
    props.shifted.count === 1
      ? "1 product changes its template"
      : `${props.shifted.count} products change their template`;
  return `${some} at once, in the shop too.`;
});
</script>

<template>
  <div class="shift" role="status">
    <p v-if="!live" class="soft">It isn’t live yet: its reach counts once it is published.</p>
    <template v-else>
      <p :class="shifted.count ? 'signal' : 'soft'">{{ says }}</p>
      <p v-for="[way, products] in groups" :key="way">
        <b>{{ way }}</b>
        {{ products.slice(0, MOST).join(", ")
        }}{{ products.length > MOST ? ` and ${products.length - MOST} more` : "" }}
      </p>
    </template>
    <TurnList :turns="shifted.ahead" />
  </div>
</template>

<style scoped>
.shift {
  display: grid;
  gap: 4px;
  padding: 8px 12px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
}
p {
  margin: 0;
}
b {
  margin-right: 6px;
}
</style>
