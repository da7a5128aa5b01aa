<script setup lang="ts">
import { ref } from "vue";
import type { ApiError } from "../api/client";
import ProblemNote from "./notes/ProblemNote.vue";
import TextInput from "./fields/TextInput.vue";
import DialogSheet from "./DialogSheet.vue";
import { say } from "../words";

/** Asks for the name of something that is made; it stays open with the reason where it can't be. */
const props = defineProps<{
  title: string;
  act: string;
  proposed?: string;
  make: (name: string) => Promise<ApiError | undefined>;
}>();
const emit = defineEmits<{ close: [] }>();
const name = ref(props.proposed ?? "");
const problem = ref<ApiError | null>(null);
async function begin(): Promise<void> {
  problem.value = (await props.make(name.value)) ?? null;
}
</script>

<template>
  <DialogSheet
    :title="title"
    :width="460"
    :act="act"
    :ready="name.trim() !== ''"
    @submit.prevent="begin"
    @close="emit('close')"
  >
    <p class="soft"><slot /></p>
    <ProblemNote :problem="problem" />
    <label>
      <span class="soft">{{ say("name-dialog-name") }}</span>
      <TextInput v-model="name" maxlength="200" required />
    </label>
  </DialogSheet>
</template>

<style scoped src="./form.css"></style>
