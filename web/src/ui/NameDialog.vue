<script setup lang="ts">
import { ref } from "vue";
import type { ApiError } from "../api/client";
import ProblemNote from "./ProblemNote.vue";
import TextInput from "./fields/TextInput.vue";

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
  <v-dialog model-value max-width="460" :aria-label="title" @update:model-value="emit('close')">
    <form class="dialog-sheet" @submit.prevent="begin">
      <h1>{{ title }}</h1>
      <p class="soft"><slot /></p>
      <ProblemNote :problem="problem" />
      <label>
        <span class="soft">Name</span>
        <TextInput v-model="name" maxlength="200" autofocus required />
      </label>
      <div class="acts">
        <v-btn variant="text" @click="emit('close')">Leave it</v-btn>
        <v-btn type="submit" variant="flat" color="primary" :disabled="name.trim() === ''">{{ act }}</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped src="./form.css"></style>
