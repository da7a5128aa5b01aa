<script setup lang="ts">
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import type { PricesView } from "./usePrices";
import { say } from "../../words";

/** The plans by which things can be bought again and again. */
defineProps<{ view: PricesView; chosen: number | null }>();
defineEmits<{ choose: [id: number] }>();
</script>

<template>
  <div class="plans" role="list" :aria-label="say('plan-list-plans')">
    <div v-for="plan in view.plans" :key="plan.id" role="listitem">
      <button class="plan" :class="{ chosen: plan.id === chosen }" @click="$emit('choose', plan.id)">
        <b>{{ plan.says }}</b>
        <span :class="plan.products === 0 ? 'signal' : 'soft'">
          {{ plan.of }} ·
          {{ plan.once ? say("plan-list-just-once") : say("plan-list-only-plan") }}
        </span>
      </button>
    </div>
    <EmptyPlace v-if="view.plans.length === 0">{{ say("plan-list-no-plans-yet-one") }}</EmptyPlace>
  </div>
</template>

<style scoped>
.plans {
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--field);
}
.plan {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  width: 100%;
  padding: 8px 12px;
  text-align: left;
}
div + div > .plan {
  border-top: 1px solid var(--hair);
}
.plan:hover {
  background: var(--head);
}
.plan.chosen {
  background: var(--accent-weak);
}
.plan.chosen .soft {
  color: var(--soft);
}
</style>
