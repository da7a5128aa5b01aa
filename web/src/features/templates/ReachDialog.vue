<script setup lang="ts">
import { ref, watch } from "vue";
import type { ApiError, Schemas } from "../../api/client";
import type { Template, TypeReached } from "./useTemplates";

const props = defineProps<{
  template: Template | null;
  types: TypeReached[];
  save: (id: number, name: string, reach: Schemas["Reach"]) => Promise<ApiError | null>;
}>();
const emit = defineEmits<{ close: [] }>();

const name = ref("");
const chosen = ref<string[]>([]);
const problem = ref("");

watch(
  () => props.template,
  (template) => {
    name.value = template?.name ?? "";
    chosen.value = template?.reach.rule === "types" ? [...template.reach.types] : [];
    problem.value = "";
  },
);

async function submit(): Promise<void> {
  if (!props.template) return;
  const fallback = props.template.reach.rule === "fallback";
  const reach: Schemas["Reach"] = fallback ? { rule: "fallback" } : { rule: "types", types: chosen.value };
  problem.value = (await props.save(props.template.id, name.value, reach))?.message ?? "";
  if (!problem.value) emit("close");
}
</script>

<template>
  <v-dialog :model-value="template !== null" aria-label="Reach of a template" @update:model-value="emit('close')">
    <form class="dialog-sheet" @submit.prevent="submit">
      <h1>Name and reach</h1>
      <label>Name <v-text-field v-model="name" maxlength="120" autofocus /></label>
      <p v-if="template?.reach.rule === 'fallback'" class="soft">
        This template serves every product that no other template reaches.
      </p>
      <fieldset v-else>
        <legend>Serves products of these types</legend>
        <label v-for="type in types" :key="type.kind.handle" class="tick">
          <input v-model="chosen" type="checkbox" :value="type.kind.handle" />
          {{ type.kind.name }} <span class="soft">{{ type.products }}</span>
        </label>
      </fieldset>
      <p class="soft">The reach counts at once, in the shop too.</p>
      <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
      <div class="buttons">
        <v-btn variant="text" @click="emit('close')">Leave as it is</v-btn>
        <v-btn type="submit" variant="flat" color="primary">Keep</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
fieldset {
  display: grid;
  gap: 6px;
  padding: 0;
  border: 0;
}
legend {
  margin-bottom: 6px;
  font-weight: 600;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
}
.tick input {
  accent-color: var(--accent);
}
.buttons {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
p {
  margin: 0;
}
</style>
