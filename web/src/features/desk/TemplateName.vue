<script setup lang="ts">
import { nextTick, ref } from "vue";
import type { ApiError } from "../../api/client";
import TextInput from "../../ui/fields/TextInput.vue";
import { useTemplates } from "../templates/useTemplates";
import { useDesk } from "./deskStore";
import { say } from "../../words";

/** What the template is called; a click makes it a field. Enter keeps it, Escape leaves it as it was. */
const desk = useDesk();
const { view, problem, load, save } = useTemplates(() => desk.view?.purpose ?? "page");
const field = ref<InstanceType<typeof TextInput> | null>(null);
const button = ref<HTMLElement | null>(null);
const name = ref<string | null>(null);

async function open(): Promise<void> {
  name.value = desk.view?.name ?? "";
  await nextTick();
  field.value?.focus();
  field.value?.select();
}
/** It closes at once; where the name is refused it is a field again, with what was typed. */
async function keep(): Promise<void> {
  const wanted = name.value?.trim() ?? "";
  const was = desk.view?.name;
  if (name.value === null || !desk.view) return;
  name.value = null;
  if (wanted === "" || wanted === was) return;
  const { id } = desk.view;
  desk.view.name = wanted;
  const refused = await rename(id, wanted);
  if (!refused) return;
  desk.problem = refused;
  if (desk.view?.id !== id) return;
  desk.view.name = was ?? "";
  name.value = wanted;
}
async function rename(id: number, wanted: string): Promise<ApiError | null> {
  await load();
  const one = view.value.templates.find((template) => template.id === id);
  return one ? save(id, wanted, one.reach) : problem.value;
}
async function done(): Promise<void> {
  await keep();
  await nextTick();
  button.value?.focus();
}
async function leave(): Promise<void> {
  name.value = null;
  await nextTick();
  button.value?.focus();
}
</script>

<template>
  <h1 class="name">
    <TextInput
      v-if="name !== null"
      ref="field"
      v-model="name"
      bare
      maxlength="120"
      :aria-label="say('template-name-name-template')"
      :size="Math.max(name.length, 12)"
      @keydown.enter.prevent="done"
      @keydown.escape.stop.prevent="leave"
      @keydown.stop
      @blur="keep"
    />
    <button v-else ref="button" type="button" :title="say('template-name-another-name')" data-test="name" @click="open">
      {{ desk.view?.name }}
    </button>
  </h1>
</template>

<style scoped>
.name > * {
  min-height: 28px;
  margin-inline: -6px;
  padding: 0 6px;
  border-radius: 4px;
  color: inherit;
  font: inherit;
  letter-spacing: inherit;
  text-align: left;
}
.name > button:hover {
  background: var(--accent-weak);
}
.name > input {
  max-width: 420px;
  background: var(--page);
  outline: 2px solid var(--accent);
}
</style>
