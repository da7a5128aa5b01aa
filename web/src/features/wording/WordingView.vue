<script setup lang="ts">
import { computed, ref } from "vue";
import DraftHead from "../../ui/DraftHead.vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import WordRow from "./WordRow.vue";
import { useWording } from "./useWording";
import TickBox from "../../ui/fields/TickBox.vue";
import PickField from "../../ui/fields/PickField.vue";
import SearchField from "../../ui/fields/SearchField.vue";
import OneOf from "../../ui/fields/OneOf.vue";
import { say } from "../../words";

const GAP = "{ $count }";

const wording = useWording();
const { language, template, view, templates, problem, overtaken, pending, load, set, undo, redo, publish } = wording;
const typed = ref("");
const onlyOwn = ref(false);
const scopes = computed(() => [
  { value: null, says: say("wording-view-whole-shop") },
  ...templates.value.map((t) => ({ value: t.id, says: say("wording-view-template", { name: t.name }) })),
]);
const languages = computed(() => (view.value?.languages ?? []).map((one) => ({ value: one.language, says: one.name })));
const found = computed(() => {
  const words = typed.value.trim().toLowerCase();
  return (view.value?.words ?? []).filter(
    (w) => (!onlyOwn.value || w.own) && `${w.text} ${w.place} ${w.under}`.toLowerCase().includes(words),
  );
});
</script>

<template>
  <main class="wording">
    <DraftHead
      :title="say('wording-view-wording')"
      draft="wording"
      :revision="view?.revision ?? 0"
      :changes="view?.changes_not_live ?? 0"
      :can-undo="view?.can_undo ?? false"
      :can-redo="view?.can_redo ?? false"
      :waiting="pending"
      @undo="undo"
      @redo="redo"
      @changed="load"
      @publish="publish"
    />
    <ProblemNote class="problem" :problem="problem" :overtaken="overtaken" @retry="load" />
    <div class="tools">
      <OneOf v-model="language" :options="languages" :label="say('wording-view-language')" />
      <PickField v-model="template" :options="scopes" :label="say('wording-view-words')" beside />
      <SearchField v-model="typed" :label="say('wording-view-find-word-where-appears')" />
      <label><TickBox v-model="onlyOwn" /> {{ say("wording-view-only-those-i-changed") }}</label>
      <span class="soft">{{ say("wording-view-of", { count: found.length, count2: view?.words.length ?? 0 }) }}</span>
    </div>
    <div class="words">
      <ProgressLine v-if="!view" />
      <table v-else>
        <caption class="unseen">
          {{
            say("wording-view-every-word-shopper-reads")
          }}
        </caption>
        <thead>
          <tr>
            <th>{{ say("wording-view-where-appears") }}</th>
            <th>{{ say("wording-view-what-said") }}</th>
            <th>
              <span class="unseen">{{ say("wording-view-changed-you") }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <WordRow
            v-for="word in found"
            :key="`${language} ${template} ${word.key}`"
            :word="word"
            :set="(text) => set(word.key, text)"
          />
        </tbody>
      </table>
      <EmptyPlace v-if="view && found.length === 0">
        {{ onlyOwn && !typed ? say("wording-view-you-have-changed-no") : say("wording-view-no-words-have-them") }}
      </EmptyPlace>
      <p class="soft none">
        {{ say("wording-view-numbers-names-stand-brackets") }} <code>{{ GAP }}</code>{{
          say("wording-view-they-filled-page")
        }}
      </p>
    </div>
  </main>
</template>

<style scoped>
.wording {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - var(--top) - var(--foot));
  min-height: 480px;
}
.problem {
  margin: 8px 14px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  padding: 10px 18px;
  border-bottom: 1px solid var(--line);
  background: var(--head);
}
.tools :deep(.search) {
  flex: 0 1 320px;
}
.words {
  flex: 1;
  min-height: 0;
  padding: 0 18px 24px;
  overflow-y: auto;
}
table {
  width: 100%;
  max-width: 1100px;
  border-collapse: collapse;
}
th {
  position: sticky;
  z-index: 1;
  top: 0;
  padding: 10px 10px 6px 18px;
  background: var(--paper);
  font-weight: 600;
  text-align: left;
}
th:first-child {
  padding-left: 10px;
}
table :deep(tbody tr) {
  border-top: 1px solid var(--line);
}
label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.none {
  padding: 12px 10px;
}
</style>
