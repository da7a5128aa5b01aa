<script setup lang="ts">
import { computed, ref } from "vue";
import DraftHead from "../../ui/DraftHead.vue";
import ProblemNote from "../../ui/ProblemNote.vue";
import WordRow from "./WordRow.vue";
import { useWording } from "./useWording";
import TickBox from "../../ui/fields/TickBox.vue";
import PickField from "../../ui/fields/PickField.vue";
import SearchField from "../../ui/fields/SearchField.vue";
import OneOf from "../../ui/fields/OneOf.vue";

const wording = useWording();
const { language, template, view, templates, problem, overtaken, pending, load, set, undo, redo, publish } = wording;
const typed = ref("");
const onlyOwn = ref(false);
const scopes = computed(() => [
  { value: null, says: "the whole shop" },
  ...templates.value.map((t) => ({ value: t.id, says: `the template ${t.name}` })),
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
      title="Wording"
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
      <OneOf v-model="language" :options="languages" label="Language" />
      <PickField v-model="template" :options="scopes" label="Words of" beside />
      <SearchField v-model="typed" label="Find a word or where it appears" />
      <label><TickBox v-model="onlyOwn" /> only those I changed</label>
      <span class="soft">{{ found.length }} of {{ view?.words.length ?? 0 }}</span>
    </div>
    <div class="words">
      <v-progress-linear v-if="!view" indeterminate color="primary" />
      <table v-else>
        <caption class="unseen">
          Every word that a shopper reads
        </caption>
        <thead>
          <tr>
            <th>Where it appears</th>
            <th>What is said</th>
            <th><span class="unseen">Changed by you</span></th>
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
      <p v-if="view && found.length === 0" class="soft none">
        {{ onlyOwn && !typed ? "You have changed no words here yet." : "No words have that in them." }}
      </p>
      <p class="soft none">
        Numbers and names stand in brackets, as in <code>{ $count }</code>; they are filled in on the page.
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
