<script setup lang="ts">
import { useProductSearch } from "../../ui/visit/useProductSearch";

/** Products by their names, found while one types. */
const picked = defineModel<string[]>({ required: true });
const props = defineProps<{ label: string; named: { handle: string; name: string }[] }>();
const { typed, found, problem } = useProductSearch(picked, props.named);
</script>

<template>
  <v-autocomplete
    v-model="picked"
    v-model:search="typed"
    :items="found"
    item-value="handle"
    item-title="name"
    :label="label"
    multiple
    chips
    closable-chips
    no-filter
    hide-details="auto"
    :error-messages="problem?.message"
  />
</template>
