<script setup lang="ts">
import { computed } from "vue";
import type { RouteLocationRaw } from "vue-router";
import DraftActs from "./DraftActs.vue";
import UndoRedo from "./UndoRedo.vue";
import { useUndoKeys } from "./useUndoKeys";
import { say } from "../words";

/** The head of a view whose changes wait as a draft until they are published. */
const props = defineProps<{
  title: string;
  /** Which draft, as an address names it. */
  draft: string;
  revision: number;
  changes: number;
  canUndo: boolean;
  canRedo: boolean;
  waiting: number;
  where?: RouteLocationRaw;
}>();
const emit = defineEmits<{ undo: []; redo: []; publish: []; changed: [] }>();
useUndoKeys({
  undo: () => props.canUndo && emit("undo"),
  redo: () => props.canRedo && emit("redo"),
});
const said = computed(() => {
  if (props.changes === 0) return say("draft-head-live-nothing-changed-since");
  return say("draft-head-changes-not-live", { changes: props.changes });
});
</script>

<template>
  <div class="view-head">
    <h1>{{ title }}</h1>
    <span class="chip" :class="{ differs: changes > 0 }" data-test="state">{{ said }}</span>
    <router-link v-if="where && changes > 0" :to="where">{{ say("draft-head-what-changes-where") }}</router-link>
    <span class="space" />
    <DraftActs :draft="draft" :revision="revision" :changes="changes" :title="title" @changed="$emit('changed')" />
    <UndoRedo :can-undo="canUndo" :can-redo="canRedo" @undo="$emit('undo')" @redo="$emit('redo')" />
    <v-btn variant="flat" color="primary" :disabled="changes === 0 || waiting > 0" @click="$emit('publish')">
      {{ say("draft-head-publish") }}
    </v-btn>
  </div>
</template>
