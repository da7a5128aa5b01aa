<script setup lang="ts">
import { nextTick, ref } from "vue";
import type { Schemas } from "../../api/client";
import RowTools from "../../ui/RowTools.vue";
import LongText from "../../ui/fields/LongText.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import ChipsField from "../../ui/fields/ChipsField.vue";
import { say } from "../../words";

/** The texts and facts of a product, to be written. */
const texts = defineModel<Schemas["Texts"]>({ required: true });
defineProps<{ tags: string[] }>();
const emit = defineEmits<{ keep: [] }>();
const sheet = ref<HTMLFormElement | null>(null);

function up<T>(list: T[], at: number): void {
  const [one] = list.splice(at, 1);
  if (one !== undefined) list.splice(at - 1, 0, one);
}
async function add<T>(list: T[], one: T, group: string): Promise<void> {
  list.push(one);
  await nextTick();
  sheet.value?.querySelector<HTMLInputElement>(`[data-group=${group}] > li:last-child input`)?.focus();
}
</script>

<template>
  <form id="texts" ref="sheet" class="all" :aria-label="say('texts-form-texts-facts')" @submit.prevent="emit('keep')">
    <slot />
    <div class="row">
      <label>
        <span class="soft">{{ say("texts-form-name") }}</span>
        <TextInput v-model="texts.name" required />
      </label>
      <label>
        <span class="soft">{{ say("texts-form-made") }}</span>
        <TextInput v-model="texts.brand" :placeholder="say('texts-form-shop-itself')" />
      </label>
    </div>
    <label>
      <span class="soft">{{ say("texts-form-summary") }}</span>
      <LongText v-model="texts.summary" rows="3" />
    </label>
    <section :aria-label="say('texts-form-texts')">
      <h2>{{ say("texts-form-texts") }}</h2>
      <p class="soft">{{ say("texts-form-empty-line-begins-another") }}</p>
      <ul data-group="details">
        <li v-for="(one, at) in texts.details" :key="at">
          <span class="line">
            <TextInput
              v-model="one.title"
              :placeholder="say('texts-form-title')"
              :aria-label="say('texts-form-title-text', { at: at + 1 })"
            />
            <RowTools
              :name="one.title || say('texts-form-text')"
              :first="at === 0"
              @up="up(texts.details, at)"
              @remove="texts.details.splice(at, 1)"
            />
          </span>
          <LongText v-model="one.text" rows="3" :aria-label="one.title || say('texts-form-text-b', { at: at + 1 })" />
        </li>
      </ul>
      <button type="button" class="quiet" @click="add(texts.details, { title: '', text: '' }, 'details')">
        {{ say("texts-form-add-text") }}
      </button>
    </section>
    <section :aria-label="say('texts-form-facts')">
      <h2>{{ say("texts-form-facts") }}</h2>
      <ul data-group="facts">
        <li v-for="(one, at) in texts.facts" :key="at" class="line">
          <TextInput
            v-model="one.name"
            :placeholder="say('texts-form-name')"
            :aria-label="say('texts-form-name-fact', { at: at + 1 })"
          />
          <TextInput
            v-model="one.value"
            :placeholder="say('texts-form-not-told')"
            :aria-label="one.name || say('texts-form-fact', { at: at + 1 })"
          />
          <RowTools
            :name="one.name || say('texts-form-fact-b')"
            :first="at === 0"
            @up="up(texts.facts, at)"
            @remove="texts.facts.splice(at, 1)"
          />
        </li>
      </ul>
      <button type="button" class="quiet" @click="add(texts.facts, { name: '', value: '' }, 'facts')">
        {{ say("texts-form-add-fact") }}
      </button>
    </section>
    <ChipsField v-model="texts.tags" :items="tags" :label="say('texts-form-tags')" own />
    <p class="soft">{{ say("texts-form-templates-prices-can-products") }}</p>
  </form>
</template>

<style scoped src="../../ui/form.css"></style>
<style scoped>
form {
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
.all {
  gap: 14px;
  align-content: start;
  overflow-y: auto;
  margin: 0;
  padding: 12px 18px 24px;
}
section {
  display: grid;
  gap: 6px;
  justify-items: start;
}
ul {
  display: grid;
  gap: 8px;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
[data-group="details"] > li {
  display: grid;
  gap: 4px;
}
.line {
  display: flex;
  gap: 6px;
  align-items: center;
}
.line input {
  flex: 1;
}
.line input:first-child {
  font-weight: 600;
}
[data-group="facts"] input:first-child {
  flex: 0 0 34%;
}
textarea {
  width: 100%;
  field-sizing: content;
  min-height: 62px;
  max-height: 320px;
}
</style>
