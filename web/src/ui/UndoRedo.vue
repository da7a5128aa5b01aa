<script setup lang="ts">
import { mdiRedo, mdiUndo } from "@mdi/js";

/** Taking the last step back, and doing it again. The keys are their holder's. */
defineProps<{ canUndo: boolean; canRedo: boolean; undoes?: string; redoes?: string }>();
defineEmits<{ undo: []; redo: [] }>();
</script>

<template>
  <v-btn
    variant="text"
    size="small"
    :icon="mdiUndo"
    aria-label="Undo"
    :title="undoes ? `Undo, Ctrl Z: ${undoes}` : 'Undo, Ctrl Z'"
    :disabled="!canUndo"
    @click="$emit('undo')"
  />
  <v-btn
    variant="text"
    size="small"
    :icon="mdiRedo"
    aria-label="Redo"
    :title="redoes ? `Redo, Ctrl Shift Z: ${redoes}` : 'Redo, Ctrl Shift Z'"
    :disabled="!canRedo"
    @click="$emit('redo')"
  />
</template>
