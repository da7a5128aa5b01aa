<script setup lang="ts">
import DialogSheet from "./DialogSheet.vue";
import { say } from "../words";

/** Tells what goes along before something is taken away. It can be brought back. */
const open = defineModel<boolean>({ required: true });
defineProps<{ what: string; onTaken: () => unknown }>();
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="say('take-away-remove', { what })"
    :width="480"
    :act="say('take-away-remove-b')"
    @submit.prevent="onTaken"
  >
    <ul>
      <slot />
    </ul>
    <p class="soft">{{ say("take-away-undo-brings-back-now") }}</p>
  </DialogSheet>
</template>

<style scoped>
ul {
  display: grid;
  gap: 4px;
  margin: 0;
  padding-left: 18px;
}
ul:empty {
  display: none;
}
</style>
