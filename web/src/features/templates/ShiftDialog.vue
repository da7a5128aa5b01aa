<script setup lang="ts">
import { ref, watch } from "vue";
import type { Answer } from "../../api/client";
import ShiftList from "./ShiftList.vue";
import type { Moving, Shifted, TemplatesView } from "./useTemplates";

/** What a move changes, before it is made. */
const props = defineProps<{
  moving: { title: string; moving: Moving };
  view: TemplatesView;
  shift: (moving: Moving, dry: boolean) => Promise<Answer<Shifted>>;
}>();
const emit = defineEmits<{ close: []; done: [] }>();
const shifted = ref<Shifted | null>(null);
const problem = ref("");

/** What somebody else did meanwhile; it stops nobody. */
const meanwhile = ref("");

async function look(): Promise<void> {
  const { data, error } = await props.shift(props.moving.moving, true);
  shifted.value = data ?? null;
  problem.value = error?.message ?? "";
}
watch(() => props.moving, look, { immediate: true });

async function go(): Promise<void> {
  const { error } = await props.shift(props.moving.moving, false);
  if (!error) return emit("done");
  const others = error.code === "rearranged";
  meanwhile.value = others ? error.message : "";
  if (others) await look();
  else problem.value = error.message;
}
</script>

<template>
  <v-dialog model-value max-width="520" aria-label="What moves" @update:model-value="emit('close')">
    <form class="dialog-sheet" @submit.prevent="go">
      <h1>{{ moving.title }}</h1>
      <p v-if="meanwhile" class="signal" role="alert">{{ meanwhile }}</p>
      <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
      <ShiftList v-else-if="shifted" :shifted="shifted" :view="view" live />
      <div class="buttons">
        <v-btn variant="text" @click="emit('close')">Leave as it is</v-btn>
        <v-btn type="submit" variant="flat" color="primary" autofocus :disabled="problem !== '' || !shifted">{{
          moving.moving.what === "away" ? "Take it away" : "Move"
        }}</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.buttons {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
p {
  margin: 0;
}
</style>
