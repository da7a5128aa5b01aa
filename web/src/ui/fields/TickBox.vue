<script setup lang="ts" generic="T">
/** A tick: for yes, or for one of several that are gathered in a list. */
const on = defineModel<T>({ required: true });
defineProps<{ value?: T extends (infer One)[] ? One : never }>();
</script>

<template>
  <input v-model="on" class="tick-box" type="checkbox" :value="value" />
</template>
