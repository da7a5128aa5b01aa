<script setup lang="ts">
/** What is said where something would stand, if there were any: why there is none, and what to do; acts go below. */
defineProps<{
  /** What there is none of, where the place is large enough to say it first. */
  title?: string;
}>();
</script>

<template>
  <div class="place" :class="{ large: title }">
    <b v-if="title">{{ title }}</b>
    <p class="soft"><slot /></p>
    <slot name="acts" />
  </div>
</template>

<style scoped>
.place {
  display: grid;
  justify-items: start;
  gap: 10px;
  padding: 12px 14px;
}
.large {
  place-content: center;
  justify-items: center;
  flex: 1;
  gap: 4px;
  border: 1.5px dashed var(--dash);
  border-radius: 10px;
  text-align: center;
}
p {
  margin: 0;
}
</style>
