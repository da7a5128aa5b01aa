<script setup lang="ts">
import { computed, provide, ref } from "vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { say } from "../../words";
import { SHEET } from "../desk/keys";
import { type Device, SCREENS, type Value } from "../desk/types";
import SlipSheet from "../desk/slip/SlipSheet.vue";
import { useHouseTexts } from "./useHouseTexts";

/** Every text that pieces hold, a line each; of the one that is chosen all that can be set, with a living sample. */
const props = defineProps<{ revision: number; set: (key: string, value: Value | null) => Promise<boolean> }>();
const { kinds, which, view, slip, problem, sample, moves, choose } = useHouseTexts(() => props.revision, props.set);
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
    <div v-for="of in found" :key="of.kind" role="group" :aria-label="title(of)">
      <h3>{{ title(of) }}</h3>
      <button
        v-for="text in of.texts"
        :key="text.key"
        class="text"
        :aria-pressed="which?.kind === of.kind && which.text === text.key"
        @click="choose({ kind: of.kind, text: text.key })"
      >
        <span class="name">
          <span v-if="text.own" class="dot" role="img" :aria-label="say('token-field-set-you')" />{{ text.label }}
        </span>
        <small
          >{{ text.says
          }}<template v-if="text.phone !== text.says"
            >; {{ say("house-texts-phone", { says: text.phone }) }}</template
          ></small
        >
      </button>
    </div>
    <EmptyPlace v-if="kinds.length && !found.length">{{ say("house-texts-none", { wanted }) }}</EmptyPlace>
  </section>
  <section v-if="view && slip" class="sheet-side" :aria-label="view.label">
    <h2>{{ view.label }}</h2>
    <p v-if="kind" class="soft">{{ say("house-texts-on-every", { kind: title(kind) }) }}</p>
    <SlipSheet
      :key="JSON.stringify(slip.target)"
      class="one"
      :slip="slip"
      :devices="devices"
      wanted=""
      :verdict="null"
    />
  </section>
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
    <EmptyPlace v-else>{{ say("house-texts-no-page") }}</EmptyPlace>
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
h3 {
  padding: 8px 14px 2px;
  color: var(--soft);
  font-size: 12px;
}
.text {
  display: grid;
  gap: 0 8px;
  width: 100%;
  padding: 3px 14px 4px;
  text-align: left;
  text-decoration: none;
}
.text:hover {
  background: var(--paper);
}
.text[aria-pressed="true"] {
  background: var(--accent-weak);
  box-shadow: inset 3px 0 0 var(--accent);
}
.text[aria-pressed="true"] .name {
  font-weight: 600;
}
.text small {
  overflow: hidden;
  color: var(--soft);
  text-overflow: ellipsis;
  white-space: nowrap;
}
.dot {
  margin-right: 5px;
}
.sheet-side {
  display: flex;
  flex-direction: column;
}
.sheet-side h2,
.sheet-side p {
  margin: 0;
  padding: 14px 14px 0;
}
.sheet-side p {
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
