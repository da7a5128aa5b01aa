<script setup lang="ts">
import { mdiDotsHorizontal } from "@mdi/js";
import { ref } from "vue";
import MergeDialog from "./MergeDialog.vue";
import SplitDialog from "./SplitDialog.vue";
import type { BookOption } from "./useBook";

/** What is seldom done with an option: making one of two, and two of one. */
defineProps<{ option: BookOption }>();
defineEmits<{ taken: [handle: string] }>();
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
    </v-list>
  </v-menu>
  <MergeDialog v-model="merging" :option="option" @merged="(handle) => $emit('taken', handle)" />
  <SplitDialog v-model="splitting" :option="option" @split="(handle) => $emit('taken', handle)" />
</template>
