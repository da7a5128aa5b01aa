<script setup lang="ts">
import { say } from "../words";
/** What somebody else has changed in a form while it was being written here: offered beside it. */
defineProps<{ met: string[] }>();
defineEmits<{ take: [] }>();
</script>

<template>
  <p v-if="met.length" class="met" role="status">
    <span>{{ say("met-note-changed-somebody-else-meanwhile", { met: met.join(", ") }) }}</span>
    <button type="button" class="quiet" @click="$emit('take')">{{ say("met-note-take-theirs") }}</button>
  </p>
</template>

<style scoped>
.met {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  margin: 0;
  padding: 6px 10px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--accent-weak);
}
.met span {
  flex: 1;
}
</style>
