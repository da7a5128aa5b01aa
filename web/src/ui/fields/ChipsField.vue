<script setup lang="ts">
/** Several of a list, each a chip; with `own`, words that the list doesn't have too. */
const picked = defineModel<string[]>({ required: true });
defineProps<{
  label: string;
  items?: readonly string[] | readonly { value: string; title: string }[];
  own?: boolean;
}>();
</script>

<template>
  <div class="field">
    <span class="called" aria-hidden="true">{{ label }}</span>
    <v-combobox
      v-if="own"
      v-model="picked"
      :items="items"
      :aria-label="label"
      multiple
      chips
      closable-chips
      hide-details
    />
    <v-autocomplete
      v-else
      v-model="picked"
      :items="items"
      :aria-label="label"
      multiple
      chips
      closable-chips
      hide-details
    />
  </div>
</template>
