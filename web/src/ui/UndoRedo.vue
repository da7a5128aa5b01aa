<script setup lang="ts">
import { mdiRedo, mdiUndo } from "@mdi/js";
import { say } from "../words";

/** Taking the last step back, and doing it again. The keys are their holder's. */
defineProps<{ canUndo: boolean; canRedo: boolean; undoes?: string; redoes?: string }>();
defineEmits<{ undo: []; redo: [] }>();
</script>

<template>
  <v-btn
    variant="text"
    size="small"
    :icon="mdiUndo"
    :aria-label="say('undo-redo-undo')"
    :title="undoes ? say('undo-redo-undo-ctrl-z', { undoes }) : say('undo-redo-undo-ctrl-z-b')"
    :disabled="!canUndo"
    @click="$emit('undo')"
  />
  <v-btn
    variant="text"
    size="small"
    :icon="mdiRedo"
    :aria-label="say('undo-redo-redo')"
    :title="redoes ? say('undo-redo-redo-ctrl-shift-z', { redoes }) : say('undo-redo-redo-ctrl-shift-z-b')"
    :disabled="!canRedo"
    @click="$emit('redo')"
  />
</template>
