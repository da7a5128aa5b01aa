<script setup lang="ts">
import { mdiArrowUp, mdiClose } from "@mdi/js";

/** What can be done with a row of a list. */
defineProps<{ name: string; first: boolean }>();
const emit = defineEmits<{ up: []; remove: [] }>();
</script>

<template>
  <button type="button" class="tool" :disabled="first" :aria-label="`Move ${name} up`" title="Up" @click="emit('up')">
    <v-icon :icon="mdiArrowUp" size="15" />
  </button>
  <button type="button" class="tool" :aria-label="`Remove ${name}`" title="Remove" @click="emit('remove')">
    <v-icon :icon="mdiClose" size="15" />
  </button>
</template>

<style scoped>
.tool:disabled {
  visibility: hidden;
}
</style>
