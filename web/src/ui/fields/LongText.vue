<script setup lang="ts">
/** Text of several lines. */
const text = defineModel<string>({ default: "" });
defineProps<{ bare?: boolean }>();
</script>

<template>
  <textarea v-model="text" :class="{ control: !bare, long: !bare }" />
</template>

<style scoped>
.long {
  width: 100%;
  max-height: 320px;
  field-sizing: content;
  line-height: 1.4;
  resize: vertical;
}
</style>
