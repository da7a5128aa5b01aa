<script setup lang="ts">
import { computed, provide, ref } from "vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { say } from "../../words";
import { SHEET } from "../desk/keys";
import { type Device, SCREENS, type Value } from "../desk/types";
import SlipSheet from "../desk/slip/SlipSheet.vue";
import NameDialog from "../../ui/NameDialog.vue";
import TextLine from "./TextLine.vue";
import { type Which, useHouseTexts } from "./useHouseTexts";
import type { ApiError } from "../../api/client";

/** Every text that pieces hold, a line each; of the one that is chosen all that can be set, with a living sample. */
const props = defineProps<{
  revision: number;
  set: (key: string, value: Value | null) => Promise<boolean>;
  keepLook: (name: string, of: Which) => Promise<ApiError | undefined>;
  removeLook: (look: string) => unknown;
}>();
const { kinds, looks, which, view, slip, problem, sample, moves, choose } = useHouseTexts(
  () => props.revision,
  props.set,
);
provide(SHEET, moves);

const wanted = ref("");
const found = computed(() => {
  const words = wanted.value.trim().toLowerCase();
  const has = (text: string): boolean => text.toLowerCase().includes(words);
  return kinds.value
    .map((kind) => ({ ...kind, texts: kind.texts.filter((text) => has(kind.label) || has(text.label)) }))
    .filter((kind) => kind.texts.length > 0);
});
function title(kind: { label: string; purpose: string }): string {
  return kind.purpose === "card" ? say("house-texts-card", { label: kind.label }) : kind.label;
}
const kind = computed(() => kinds.value.find((one) => one.kind === which.value?.kind) ?? null);
function isChosen(of: string, text: string): boolean {
  return which.value?.kind === of && which.value.text === text;
}
function placeOf(look: string): string {
  return look.replace("kept-", "");
}

// Looks are kept under a name, from what counts for the text that is chosen.
const keeping = ref(false);
const renaming = ref(false);
async function keep(name: string): Promise<ApiError | undefined> {
  const error = which.value ? await props.keepLook(name, which.value) : undefined;
  keeping.value = error !== undefined;
  return error;
}
async function rename(name: string): Promise<ApiError | undefined> {
  renaming.value = !(await props.set(`look.${which.value?.text ?? ""}.name`, name.trim()));
  return undefined;
}
function takeAway(): void {
  const text = which.value?.text;
  choose(null);
  void props.removeLook(`kept-${text ?? ""}`);
}
const devices = computed((): Device[] => {
  const tablet = view.value?.fields.some((field) => field.tablet?.own);
  return tablet ? ["wide", "tablet", "phone"] : ["wide", "phone"];
});
</script>

<template>
  <section class="list" :aria-label="say('house-texts-texts')">
    <TextInput
      v-model="wanted"
      class="find"
      :placeholder="say('house-texts-find')"
      :aria-label="say('house-texts-find')"
    />
    <ProblemNote :problem="problem" />
    <div v-if="looks.length && wanted === ''" role="group" :aria-label="say('house-texts-looks')">
      <h2>{{ say("house-texts-looks") }}</h2>
      <TextLine
        v-for="look in looks"
        :key="look.look"
        :label="look.name"
        :says="look.says"
        :phone="look.phone"
        :own="false"
        :chosen="isChosen('look', placeOf(look.look))"
        @choose="choose({ kind: 'look', text: placeOf(look.look) })"
      />
    </div>
    <div v-for="of in found" :key="of.kind" role="group" :aria-label="title(of)">
      <h2>{{ title(of) }}</h2>
      <TextLine
        v-for="text in of.texts"
        :key="text.key"
        :label="text.label"
        :says="text.says"
        :phone="text.phone"
        :own="text.own"
        :chosen="isChosen(of.kind, text.key)"
        @choose="choose({ kind: of.kind, text: text.key })"
      />
    </div>
    <EmptyPlace v-if="kinds.length && !found.length">{{ say("house-texts-none", { wanted }) }}</EmptyPlace>
  </section>
  <section v-if="view && slip" class="sheet-side" :aria-label="view.label">
    <div class="title">
      <h2>{{ view.label }}</h2>
      <button v-if="kind" class="quiet" @click="keeping = true">{{ say("house-texts-keep") }}</button>
      <template v-else>
        <button class="quiet" @click="renaming = true">{{ say("house-texts-rename") }}</button>
        <button class="quiet" @click="takeAway">{{ say("house-texts-remove") }}</button>
      </template>
    </div>
    <p class="soft">
      {{ kind ? say("house-texts-on-every", { kind: title(kind) }) : say("house-texts-look-given") }}
    </p>
    <SlipSheet
      :key="JSON.stringify(slip.target)"
      class="one"
      :slip="slip"
      :devices="devices"
      wanted=""
      :verdict="null"
    />
  </section>
  <NameDialog
    v-if="keeping"
    :title="say('house-texts-keep-as')"
    :act="say('house-texts-save')"
    :make="keep"
    @close="keeping = false"
  >
    {{ say("house-texts-keep-told") }}
  </NameDialog>
  <NameDialog
    v-if="renaming"
    :title="say('house-texts-rename-as')"
    :act="say('house-texts-save')"
    :proposed="view?.label ?? ''"
    :make="rename"
    @close="renaming = false"
  />
  <section v-if="view" class="sample" :aria-label="say('house-view-living-sample')">
    <template v-if="sample">
      <h2>{{ say("house-texts-as-seen", { name: sample.name }) }}</h2>
      <div v-for="device in ['wide', 'phone'] as const" :key="device" class="screen" :class="device">
        <span class="soft">{{ SCREENS[device].name }}</span>
        <div class="page" tabindex="0" role="group" :aria-label="SCREENS[device].name">
          <iframe :src="sample.src" :title="say('house-texts-sample-on', { screen: SCREENS[device].name })" />
        </div>
      </div>
    </template>
    <EmptyPlace v-else>{{ kind ? say("house-texts-no-page") : say("house-texts-look-how") }}</EmptyPlace>
  </section>
</template>

<style scoped>
.list,
.sheet-side {
  min-height: 0;
  overflow-y: auto;
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
.find {
  position: sticky;
  z-index: 1;
  top: 0;
  width: calc(100% - 24px);
  margin: 10px 12px 4px;
  padding: 4px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
}
.list h2 {
  padding: 8px 14px 2px;
  color: var(--soft);
  font-size: 12px;
}
.sheet-side {
  display: flex;
  flex-direction: column;
}
.title {
  display: flex;
  gap: 2px;
  align-items: baseline;
  padding: 14px 8px 0 14px;
}
.title h2 {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.title .quiet {
  font-size: 12px;
  white-space: nowrap;
}
.sheet-side p {
  margin: 0;
  padding: 2px 14px 8px;
}
.sample {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-width: 0;
  padding: 14px 20px 20px;
}
.screen {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 3px;
  min-height: 0;
}
/* At its true size: what is wider is moved sideways. */
.page {
  flex: 1;
  min-height: 0;
  overflow: auto hidden;
  background: var(--field);
  box-shadow: var(--shadow);
}
.phone .page {
  max-width: 390px;
}
iframe {
  display: block;
  width: 100%;
  height: 100%;
  border: 0;
}
.wide iframe {
  width: 1120px;
}
</style>
