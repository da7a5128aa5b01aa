<script setup lang="ts">
import { mdiMagnify } from "@mdi/js";
import { computed, ref } from "vue";
import DraftHead from "../../ui/DraftHead.vue";
import ProblemNote from "../../ui/ProblemNote.vue";
import WordRow from "./WordRow.vue";
import { useWording } from "./useWording";
import TickBox from "../../ui/fields/TickBox.vue";

const wording = useWording();
const { language, template, view, templates, problem, overtaken, pending, load, set, undo, redo, publish } = wording;
const typed = ref("");
const onlyOwn = ref(false);
const scopes = computed(() => [
  { value: null, title: "the whole shop" },
  ...templates.value.map((t) => ({ value: t.id, title: `the template ${t.name}` })),
]);
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
      <v-btn-toggle v-model="language" aria-label="Language">
        <v-btn v-for="one in view?.languages" :key="one.language" :value="one.language">{{ one.name }}</v-btn>
      </v-btn-toggle>
      <v-select v-model="template" :items="scopes" label="Words of" class="scope" />
      <v-text-field
        v-model="typed"
        :prepend-inner-icon="mdiMagnify"
        placeholder="Find a word or where it appears"
        aria-label="Find"
        class="find"
      />
      <label><TickBox v-model="onlyOwn" /> only my own</label>
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
            <th><span class="unseen">Your own</span></th>
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
        {{ onlyOwn && !typed ? "Nothing is said your own way here yet." : "No word has that in it." }}
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
.tools .v-btn-toggle {
  width: 170px;
}
.scope {
  flex: 0 0 240px;
}
.find {
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
