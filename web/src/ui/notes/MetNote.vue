<script setup lang="ts">
import { say } from "../../words";
import NoticeNote from "./NoticeNote.vue";

/** What somebody else has changed in a form while it was being written here: offered beside it. */
defineProps<{ met: string[] }>();
defineEmits<{ take: [] }>();
</script>

<template>
  <NoticeNote v-if="met.length">
    <span class="words">{{ say("met-note-changed-somebody-else-meanwhile", { met: met.join(", ") }) }}</span>
    <button type="button" class="quiet" @click="$emit('take')">{{ say("met-note-take-theirs") }}</button>
  </NoticeNote>
</template>

<style scoped>
.words {
  flex: 1;
}
</style>
