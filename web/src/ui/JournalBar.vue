<script setup lang="ts">
import { ref } from "vue";
import type { JournalControl, JournalOf } from "../session/useJournal";
import JournalDialog from "./JournalDialog.vue";
import UndoRedo from "./UndoRedo.vue";
import { say } from "../words";

/** The way back of a view: its last step taken back, made again, and all that was done to what it shows. */
defineProps<{ control: JournalControl; of: JournalOf; name: string }>();
const emit = defineEmits<{ changed: [] }>();
const open = ref(false);
</script>

<template>
  <span class="journal">
    <span class="told" role="status" :class="{ shown: control.told.value }">{{ control.told.value }}</span>
    <UndoRedo
      :can-undo="control.canUndo.value"
      :can-redo="!!control.journal.value?.redo"
      :undoes="control.journal.value?.undo ?? ''"
      :redoes="control.journal.value?.redo ?? ''"
      @undo="control.undo"
      @redo="control.redo"
    />
    <button class="quiet" @click="open = true">{{ say("journal-bar-history") }}</button>
    <JournalDialog v-if="open" :of="of" :name="name" @close="open = false" @changed="emit('changed')" />
  </span>
</template>

<style scoped>
.journal {
  display: flex;
  align-items: center;
}
.told.shown {
  position: fixed;
  z-index: 5;
  bottom: 18px;
  left: 18px;
  max-width: min(520px, calc(100vw - 36px));
  padding: 8px 14px;
  overflow-wrap: anywhere;
  border-radius: 6px;
  background: var(--ink);
  box-shadow: var(--shadow);
  color: var(--on-ink);
}
</style>
