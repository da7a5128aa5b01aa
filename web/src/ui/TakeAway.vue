<script setup lang="ts">
/** Tells what goes along before something is taken away. It can be brought back. */
const open = defineModel<boolean>({ required: true });
defineProps<{ what: string }>();
defineEmits<{ taken: [] }>();
</script>

<template>
  <v-dialog v-model="open" max-width="480" :aria-label="`Take ${what} away`">
    <form class="dialog-sheet" @submit.prevent="$emit('taken')">
      <h2>Take {{ what }} away</h2>
      <ul>
        <slot />
      </ul>
      <p class="soft">Undo brings it back as it is now.</p>
      <div class="acts">
        <v-btn variant="text" @click="open = false">Leave it</v-btn>
        <v-btn type="submit" variant="flat" color="primary" autofocus>Take it away</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped src="./form.css"></style>
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
