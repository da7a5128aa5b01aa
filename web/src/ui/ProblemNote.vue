<script setup lang="ts">
import type { ApiError } from "../api/client";

defineProps<{ problem: ApiError | null }>();
defineEmits<{ retry: [] }>();
</script>

<template>
  <div v-if="problem" class="note" role="alert">
    <span>{{ problem.message }}</span>
    <button class="quiet" @click="$emit('retry')">Try again</button>
  </div>
</template>

<style scoped>
.note {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 14px;
  border: 1px solid #e7b79e;
  border-radius: 6px;
  background: var(--signal-weak);
}
</style>
