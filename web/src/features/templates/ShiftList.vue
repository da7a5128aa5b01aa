<script setup lang="ts">
import { computed } from "vue";
import TurnList from "./TurnList.vue";
import type { Shifted, TemplatesView } from "./useTemplates";
import { say } from "../../words";

/** Which products another template serves then. */
const props = defineProps<{ shifted: Shifted; view: TemplatesView; live: boolean; card?: boolean }>();
const MOST = 5;
const name = (id: number | null | undefined): string =>
  props.view.templates.find((one) => one.id === id)?.name ??
  (props.card ? say("shift-list-quiet-card") : say("shift-list-no-template"));
const groups = computed(() => {
  const found = new Map<string, string[]>();
  for (const one of props.shifted.moves) {
    const way = `${name(one.from)} → ${name(one.to)}`;
    found.set(way, [...(found.get(way) ?? []), one.name]);
  }
  return [...found];
});
const says = computed(() => {
  if (props.card) return say("shift-list-products-change-their-card", { count: props.shifted.count });
  if (props.shifted.count === 0)
    return props.shifted.ahead.length
      ? say("shift-list-no-product-changes-template")
      : say("shift-list-no-product-changes-template-b");
  const some = say("shift-list-products-change-their-template", { count: props.shifted.count });
  return say("shift-list-once-shop-too", { some });
});
</script>

<template>
  <div class="shift" role="status">
    <p v-if="!live" class="soft">{{ say("shift-list-isnt-live-yet-reach") }}</p>
    <template v-else>
      <p :class="shifted.count ? 'signal' : 'soft'">{{ says }}</p>
      <p v-for="[way, products] in groups" :key="way">
        <b>{{ way }}</b>
        {{ products.slice(0, MOST).join(", ")
        }}{{ products.length > MOST ? say("shift-list-more", { count: products.length - MOST }) : "" }}
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
