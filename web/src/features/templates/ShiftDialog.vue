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

watch(
  () => props.moving,
  async ({ moving }) => {
    const { data, error } = await props.shift(moving, true);
    shifted.value = data ?? null;
    problem.value = error?.message ?? "";
  },
  { immediate: true },
);

async function go(): Promise<void> {
  const { error } = await props.shift(props.moving.moving, false);
  problem.value = error?.message ?? "";
  if (!error) emit("done");
}
</script>

<template>
  <v-dialog model-value max-width="520" aria-label="What moves" @update:model-value="emit('close')">
    <form class="dialog-sheet" @submit.prevent="go">
      <h1>{{ moving.title }}</h1>
      <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
      <ShiftList v-else-if="shifted" :shifted="shifted" :view="view" live />
      <div class="buttons">
        <v-btn variant="text" @click="emit('close')">Leave as it is</v-btn>
        <v-btn type="submit" variant="flat" color="primary" autofocus :disabled="problem !== '' || !shifted"
          >Move</v-btn
        >
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
