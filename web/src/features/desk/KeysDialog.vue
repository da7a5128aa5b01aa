<script setup lang="ts">
import { KEYS } from "./useKeys";

const open = defineModel<boolean>({ required: true });
</script>

<template>
  <v-dialog v-model="open" max-width="380" aria-label="Keys">
    <div class="dialog-sheet">
      <h1>Keys on the desk</h1>
      <dl>
        <template v-for="[keys, what] in KEYS" :key="keys">
          <dt>{{ keys }}</dt>
          <dd>{{ what }}</dd>
        </template>
      </dl>
      <v-btn block @click="open = false">Back to the desk</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 18px;
  margin: 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
</style>
