<script setup lang="ts">
import { onMounted, ref } from "vue";
import { useRouter } from "vue-router";
import ProblemNote from "../../ui/ProblemNote.vue";
import ReachDialog from "./ReachDialog.vue";
import ReachMatrix from "./ReachMatrix.vue";
import ServedDialog from "./ServedDialog.vue";
import ShiftDialog from "./ShiftDialog.vue";
import TemplateList from "./TemplateList.vue";
import { type Moving, type Template, type TypeReached, useTemplates } from "./useTemplates";

const { view, problem, loading, load, save, shift, add } = useTemplates();
const router = useRouter();
const newName = ref("");
const editing = ref<Template | null>(null);
const looking = ref<TypeReached | null>(null);
const moving = ref<{ title: string; moving: Moving } | null>(null);
onMounted(load);

async function begin(name: string, from?: number): Promise<void> {
  const id = await add(name, from);
  if (id !== null) await router.push({ name: "desk", params: { id } });
}
function moveType(type: TypeReached, to: Template): void {
  const title = `${type.kind.name} to “${to.name}”`;
  moving.value = { title, moving: { what: "type", kind: type.kind.handle, to: to.id } };
}
/** Another order is kept at once where it moves nothing, and told first where it does. */
async function reorder(order: number[]): Promise<void> {
  const one: Moving = { what: "order", order };
  const { data, error } = await shift(one, true);
  problem.value = error ?? null;
  if (data?.count === 0) await shift(one, false);
  else if (data) moving.value = { title: "Another order", moving: one };
}
async function leaveIt(): Promise<void> {
  moving.value = null;
  await load();
}
</script>

<template>
  <main class="templates">
    <h1>Templates</h1>
    <v-progress-linear v-if="loading" indeterminate color="primary" />
    <ProblemNote :problem="problem" @retry="load" />
    <TemplateList
      :view="view"
      @edit="(one) => (editing = one)"
      @copy="(one) => begin(`${one.name}, copy`, one.id)"
      @order="reorder"
    />
    <form class="new" @submit.prevent="begin(newName)">
      <v-text-field v-model="newName" label="A new template, called" maxlength="120" />
      <v-btn type="submit" :disabled="newName.trim() === ''">Begin it</v-btn>
    </form>
    <h2>Which template serves which products</h2>
    <p class="soft">
      Drag a type onto a template to move it there, or open a type to see each product with the reason.
    </p>
    <ReachMatrix :view="view" @look="(type) => (looking = type)" @move="moveType" />
    <ReachDialog
      v-if="editing"
      :key="editing.id"
      :template="editing"
      :view="view"
      :save="save"
      :shift="shift"
      @close="editing = null"
    />
    <ServedDialog
      v-if="looking"
      :kind="looking.kind"
      :view="view"
      @close="looking = null"
      @move="(title, one) => (moving = { title, moving: one })"
    />
    <ShiftDialog v-if="moving" :moving="moving" :view="view" :shift="shift" @close="leaveIt" @done="moving = null" />
  </main>
</template>

<style scoped>
.new {
  display: flex;
  gap: 10px;
  align-items: center;
  max-width: 420px;
  margin: 12px 0 4px;
}
.templates {
  width: min(1244px, 100%);
  margin: 0 auto;
  padding: 20px 18px 48px;
}
h1 {
  margin-bottom: 14px;
}
h2 {
  margin: 28px 0 2px;
}
p {
  margin: 0 0 10px;
}
</style>
