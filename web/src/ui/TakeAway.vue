<script setup lang="ts">
import DialogSheet from "./DialogSheet.vue";

/** Tells what goes along before something is taken away. It can be brought back. */
const open = defineModel<boolean>({ required: true });
defineProps<{ what: string }>();
defineEmits<{ taken: [] }>();
</script>

<template>
  <DialogSheet v-model="open" :title="`Remove ${what}`" :width="480" act="Remove" @submit.prevent="$emit('taken')">
    <ul>
      <slot />
    </ul>
    <p class="soft">Undo brings it back as it is now.</p>
  </DialogSheet>
</template>

<style scoped>
ul {
  display: grid;
  gap: 4px;
  margin: 0;
  padding-left: 18px;
}
ul:empty {
  display: none;
}
</style>
