<script setup lang="ts">
import { ref, watch } from "vue";
import type { Answer } from "../../api/client";
import ShiftList from "./ShiftList.vue";
import type { Moving, Shifted, TemplatesView } from "./useTemplates";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** What a move changes, before it is made. */
const props = defineProps<{
  moving: { title: string; moving: Moving };
  view: TemplatesView;
  /** Whether cards move, and no pages. */
  card?: boolean;
  act?: string;
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
  <DialogSheet
    :title="moving.title"
    :label="say('shift-dialog-what-moves')"
    :width="520"
    :act="act ?? (moving.moving.what === 'away' ? say('shift-dialog-remove') : say('shift-dialog-move'))"
    :ready="problem === '' && shifted !== null"
    @submit.prevent="go"
    @close="emit('close')"
  >
    <p v-if="meanwhile" class="signal" role="alert">{{ meanwhile }}</p>
    <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
    <template v-else-if="shifted">
      <ShiftList :shifted="shifted" :view="view" :card="card" live />
      <slot />
    </template>
  </DialogSheet>
</template>
