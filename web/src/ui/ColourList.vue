<script setup lang="ts">
import { mdiClose } from "@mdi/js";
import ColourField from "./ColourField.vue";
import { say } from "../words";

/** Colours side by side or one below the other, as their holder lays them: each can be set, and all but the last be
    taken out. */
const colours = defineModel<string[]>({ required: true });
defineProps<{ name: string }>();
function set(at: number, colour: string): void {
  colours.value = colours.value.map((was, i) => (i === at ? colour : was));
}
</script>

<template>
  <span v-for="(colour, index) in colours" :key="index" class="colour">
    <span :id="`${name}-${index}`" class="unseen">{{ say("colour-list-colour", { index: index + 1 }) }}</span>
    <ColourField :model-value="colour" :labelledby="`${name}-${index}`" @update:model-value="(c) => set(index, c)" />
    <button
      v-if="colours.length > 1"
      class="tool"
      :aria-label="say('colour-list-remove-colour', { index: index + 1 })"
      @click="colours = colours.filter((_, i) => i !== index)"
    >
      <v-icon :icon="mdiClose" size="14" />
    </button>
  </span>
</template>

<style scoped>
.colour {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
