<script setup lang="ts">
import { mdiRedo, mdiUndo } from "@mdi/js";
import { computed } from "vue";
import { useDesk } from "./deskStore";

const desk = useDesk();
const count = computed(() => desk.draft?.not_live.length ?? 0);
const reach = computed(() => {
  const { serves = 0, serves_types: types = 0 } = desk.view ?? {};
  if (serves === 0) return "reaches no product yet";
  return `reaches ${serves} ${serves === 1 ? "product" : "products"} in ${types} ${types === 1 ? "type" : "types"}`;
});
const state = computed(() => {
  if (count.value === 0) return "Live, nothing changed since";
  return `Draft ${desk.draft?.revision} · ${count.value === 1 ? "1 change" : `${count.value} changes`} not live`;
});
</script>

<template>
  <header class="head">
    <h1>{{ desk.view?.name }}</h1>
    <router-link to="/templates" class="reach">{{ reach }}</router-link>
    <span class="chip" data-test="state">{{ state }}</span>
    <span class="space" />
    <v-btn
      variant="text"
      size="small"
      :icon="mdiUndo"
      aria-label="Undo"
      title="Undo, Ctrl Z"
      :disabled="!desk.draft?.can_undo"
      @click="desk.undo"
    />
    <v-btn
      variant="text"
      size="small"
      :icon="mdiRedo"
      aria-label="Do it again"
      title="Do it again, Ctrl Shift Z"
      :disabled="!desk.draft?.can_redo"
      @click="desk.redo"
    />
    <v-btn variant="flat" color="primary" :disabled="count === 0 || desk.waiting > 0" @click="desk.publish">
      Publish
    </v-btn>
  </header>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  min-height: 50px;
  padding: 4px 18px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
}
.space {
  flex: 1;
}
.reach {
  text-decoration-style: dotted;
}
.head :deep(.v-btn--icon) {
  border: 0;
  background: none;
}
.head :deep(.v-btn--icon + .v-btn--icon) {
  margin-left: -12px;
}
</style>
