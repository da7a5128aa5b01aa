<script setup lang="ts">
import { onMounted, ref } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import FieldsForm from "./FieldsForm.vue";
import type { Fields } from "./useTypes";
import TextInput from "../../ui/fields/TextInput.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** A type that has no products yet: its name, and what its sample shows. */
const props = defineProps<{ kind: { handle: string; name: string } }>();
const emit = defineEmits<{ close: []; changed: [] }>();
const name = ref(props.kind.name);
const fields = ref<Fields | null>(null);
const view = ref<Schemas["TemplatesView"] | null>(null);
const problem = ref<ApiError | null>(null);
const path = { params: { path: { handle: props.kind.handle } } };

onMounted(async () => {
  const [known, templates] = await Promise.all([
    ask(api.GET("/api/types/{handle}/fields", path)),
    ask(api.GET("/api/templates")),
  ]);
  problem.value = known.error ?? templates.error ?? null;
  fields.value = known.data ?? null;
  view.value = templates.data ?? null;
});
function done(error: ApiError | undefined): void {
  problem.value = error ?? null;
  if (!error) emit("changed");
}
async function keep(): Promise<void> {
  if (!fields.value) return;
  const body = { name: name.value, fields: fields.value };
  done((await ask(api.PUT("/api/types/{handle}", { ...path, body }))).error);
}
async function remove(): Promise<void> {
  done((await ask(api.DELETE("/api/types/{handle}", path))).error);
}
</script>

<template>
  <DialogSheet
    :title="kind.name"
    :width="640"
    :act="say('type-dialog-save')"
    :ready="fields !== null && name.trim() !== ''"
    @submit.prevent="keep"
    @close="emit('close')"
  >
    <p class="soft">{{ say("type-dialog-until-first-product-there") }}</p>
    <ProblemNote :problem="problem" />
    <div v-if="fields && view" class="all">
      <label>
        <span class="soft">{{ say("type-dialog-name") }}</span>
        <TextInput v-model="name" maxlength="120" required />
      </label>
      <FieldsForm v-model="fields" :currency="view.currency" :decimals="view.decimals" :known-tags="view.tags" />
    </div>
    <template #first
      ><v-btn variant="text" @click="remove">{{ say("type-dialog-remove-type") }}</v-btn></template
    >
  </DialogSheet>
</template>

<style scoped src="../../ui/form.css"></style>
