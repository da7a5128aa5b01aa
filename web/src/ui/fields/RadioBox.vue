<script setup lang="ts" generic="T">
/** One of a few that stand beside each other. */
const chosen = defineModel<T>({ required: true });
defineProps<{ value: T }>();
</script>

<template>
  <input v-model="chosen" class="tick-box" type="radio" :value="value" />
</template>
