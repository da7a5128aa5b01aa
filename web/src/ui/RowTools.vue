<script setup lang="ts">
import { mdiArrowUp, mdiClose } from "@mdi/js";
import { say } from "../words";

/** What can be done with a row of a list. */
defineProps<{ name: string; first: boolean }>();
const emit = defineEmits<{ up: []; remove: [] }>();
</script>

<template>
  <button
    type="button"
    class="tool"
    :disabled="first"
    :aria-label="say('row-tools-move-up', { name })"
    :title="say('row-tools-up')"
    @click="emit('up')"
  >
    <v-icon :icon="mdiArrowUp" size="15" />
  </button>
  <button
    type="button"
    class="tool"
    :aria-label="say('row-tools-remove', { name })"
    :title="say('row-tools-remove-b')"
    @click="emit('remove')"
  >
    <v-icon :icon="mdiClose" size="15" />
  </button>
</template>

<style scoped>
.tool:disabled {
  visibility: hidden;
}
</style>
