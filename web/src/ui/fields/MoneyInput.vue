<script setup lang="ts">
/** A sum, as it is typed: the server reads it. */
const text = defineModel<string>({ default: "" });
</script>

<template>
  <input v-model="text" class="control" inputmode="decimal" autocomplete="off" />
</template>
