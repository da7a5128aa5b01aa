<script setup lang="ts">
import { mdiDotsHorizontal } from "@mdi/js";
import { ref } from "vue";
import TakeAway from "../../ui/TakeAway.vue";
import MergeDialog from "./MergeDialog.vue";
import SplitDialog from "./SplitDialog.vue";
import type { BookOption } from "./useBook";

/** What is seldom done with an option: making one of two, and two of one, and taking it away. */
const props = defineProps<{ option: BookOption; remove: () => Promise<boolean> }>();
const emit = defineEmits<{ taken: [handle: string] }>();
const removing = ref(false);
async function takeAway(): Promise<void> {
  removing.value = false;
  if (await props.remove()) emit("taken", "");
}
const merging = ref(false);
const splitting = ref(false);
</script>

<template>
  <v-menu>
    <template #activator="{ props: menu }">
      <v-btn v-bind="menu" variant="text" :icon="mdiDotsHorizontal" size="small" aria-label="More about this option" />
    </template>
    <v-list density="compact">
      <v-list-item title="Merge into another option …" @click="merging = true" />
      <v-list-item title="Split off for some products …" :disabled="option.products < 2" @click="splitting = true" />
      <v-list-item title="Remove …" @click="removing = true" />
    </v-list>
  </v-menu>
  <TakeAway v-model="removing" :what="option.name" @taken="takeAway">
    <li v-if="option.products">
      {{ option.products === 1 ? "1 product is" : `${option.products} products are` }} no longer chosen by it.
    </li>
    <li v-if="option.values.length">Its {{ option.values.length }} values and their swatches go with it.</li>
  </TakeAway>
  <MergeDialog v-model="merging" :option="option" @merged="(handle) => $emit('taken', handle)" />
  <SplitDialog v-model="splitting" :option="option" @split="(handle) => $emit('taken', handle)" />
</template>
