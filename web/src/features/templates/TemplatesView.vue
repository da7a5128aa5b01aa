<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useRouter } from "vue-router";
import type { Schemas } from "../../api/client";
import NoticeNote from "../../ui/notes/NoticeNote.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import { useUndoKeys } from "../../ui/useUndoKeys";
import NewTypeDialog from "../types/NewTypeDialog.vue";
import ReachDialog from "./ReachDialog.vue";
import ReachMatrix from "./ReachMatrix.vue";
import ServedDialog from "./ServedDialog.vue";
import ShiftDialog from "./ShiftDialog.vue";
import TemplateList from "./TemplateList.vue";
import { type Moving, type Purpose, type Template, type TypeReached, useTemplates } from "./useTemplates";
import FilePick from "../../ui/fields/FilePick.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { useNewName } from "../../ui/useNewName";
import { say } from "../../words";

/** The same for pages and for cards: which of them serves which product. */
const props = defineProps<{ purpose: Purpose }>();
const { view, names, problem, loading, load, save, shift, add, bring } = useTemplates(() => props.purpose);
const card = computed(() => props.purpose === "card");
const router = useRouter();
const newType = ref(false);
const editing = ref<Template | null>(null);
const looking = ref<TypeReached | null>(null);
const moving = ref<{ title: string; moving: Moving } | null>(null);
watch(() => props.purpose, load, { immediate: true });

async function begin(name: string, from?: number): Promise<boolean> {
  const id = await add(name, from);
  if (id !== null) await router.push({ name: "desk", params: { id } });
  return id !== null;
}
const { name: newName, add: beginNew } = useNewName(begin);
function moveType(type: TypeReached, to: Template): void {
  const title = say("templates-view-to", { name: type.kind.name, name2: to.name });
  moving.value = { title, moving: { what: "type", kind: type.kind.handle, to: to.id } };
}
function takeAway(template: Template): void {
  moving.value = {
    title: say("templates-view-take-away", { name: template.name }),
    moving: { what: "away", template: template.id },
  };
}
async function bringBack(id: number): Promise<void> {
  problem.value = (await shift({ what: "back", template: id }, false)).error ?? null;
}
const last = computed(() => view.value.away[0]);
useUndoKeys({ undo: () => last.value && void bringBack(last.value.id), redo: () => undefined });
/** Another order is kept at once where it moves nothing, and told first where it does. */
async function reorder(order: number[]): Promise<void> {
  const one: Moving = { what: "order", order };
  const { data, error } = await shift(one, true);
  problem.value = error ?? null;
  if (data?.count === 0) problem.value = (await shift(one, false)).error ?? null;
  // What was refused is shown as it stands.
  if (problem.value) view.value = { ...view.value, templates: [...view.value.templates] };
  else if (data && data.count > 0) moving.value = { title: say("templates-view-another-order"), moving: one };
}
const brought = ref<Schemas["BroughtIn"] | null>(null);
const missing = computed(() => {
  const none = brought.value?.unmatched;
  const lines: [string, string[]][] = [
    [say("templates-view-types"), none?.types ?? []],
    [say("templates-view-products"), none?.products ?? []],
    [say("templates-view-tags"), none?.tags ?? []],
    [say("templates-view-pictures-films"), none?.media ?? []],
  ];
  return lines
    .filter(([, all]) => all.length)
    .map(([what, all]) => say("templates-view-shop-doesnt-have", { what, all: all.join(", ") }));
});
const files = ref<InstanceType<typeof FilePick> | null>(null);
async function bringIn([file]: File[]): Promise<void> {
  if (!file) return;
  const { data, error } = await bring(file);
  problem.value = error ?? null;
  brought.value = data ?? null;
}
async function leaveIt(): Promise<void> {
  moving.value = null;
  await load();
}
</script>

<template>
  <main class="templates">
    <h1>{{ card ? say("templates-view-cards") : say("templates-view-templates") }}</h1>
    <p v-if="card" class="soft">{{ say("templates-view-what-cards-are") }}</p>
    <ProgressLine v-if="loading" />
    <ProblemNote :problem="problem" @retry="load" />
    <TemplateList
      v-if="view.templates.length || !card"
      :view="view"
      :card="card"
      @edit="(one) => (editing = one)"
      @copy="(one) => begin(say('templates-view-copy', { name: one.name }), one.id)"
      @away="takeAway"
      @order="reorder"
    />
    <p v-if="view.away.length" class="away soft">
      {{ say("templates-view-removed") }}
      <template v-for="(one, place) in view.away" :key="one.id">
        <template v-if="place > 0">, </template>{{ one.name }}
        <button
          class="quiet"
          :aria-label="say('templates-view-bring-back', { name: one.name })"
          @click="bringBack(one.id)"
        >
          {{ say("templates-view-bring-back-b") }}
        </button>
      </template>
    </p>
    <form class="new" @submit.prevent="beginNew">
      <label class="field beside called-so">
        <span class="called">{{
          card ? say("templates-view-new-card-called") : say("templates-view-new-template-called")
        }}</span>
        <TextInput v-model="newName" maxlength="120" />
      </label>
      <v-btn type="submit" :disabled="newName.trim() === ''">{{ say("templates-view-begin") }}</v-btn>
      <button type="button" class="quiet" @click="files?.open()">
        {{ say("templates-view-bring-one-from-file") }}
      </button>
      <FilePick ref="files" accept=".json,application/json" @picked="bringIn" />
    </form>
    <NoticeNote v-if="brought" class="brought" lines @understood="brought = null">
      <p>
        <router-link :to="{ name: 'desk', params: { id: brought.id } }">{{ names.get(brought.id) }}</router-link>
        {{ say("templates-view-here-not-live-yet") }}
        <template v-if="missing.length === 0 && !brought.other_fallback">{{
          say("templates-view-everything-names-shop")
        }}</template>
      </p>
      <p v-if="brought.other_fallback" class="signal">
        {{ say("templates-view-was-fallback-shop-shop") }}
      </p>
      <p v-for="line in missing" :key="line" class="signal">{{ line }}</p>
    </NoticeNote>
    <h2 v-if="view.templates.length || !card">
      {{ card ? say("templates-view-which-card-serves-which") : say("templates-view-which-template-serves-which") }}
    </h2>
    <p v-if="!card" class="soft">
      {{ say("templates-view-drag-type-onto-template") }}
      <button class="quiet" @click="newType = true">{{ say("templates-view-new-product-type") }}</button>
    </p>
    <ReachMatrix
      v-if="view.templates.length || !card"
      :card="card"
      :view="view"
      @look="(type) => (looking = type)"
      @move="moveType"
    />
    <ReachDialog
      v-if="editing"
      :key="editing.id"
      :template="editing"
      :purpose="purpose"
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
    <NewTypeDialog v-if="newType" @close="newType = false" />
    <ShiftDialog
      v-if="moving"
      :moving="moving"
      :view="view"
      :card="card"
      :shift="shift"
      @close="leaveIt"
      @done="moving = null"
    />
  </main>
</template>

<style scoped>
.new {
  display: flex;
  gap: 10px;
  align-items: center;
  max-width: 680px;
  margin: 12px 0 4px;
}
.called-so input {
  width: 240px;
}
.brought {
  max-width: 680px;
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
