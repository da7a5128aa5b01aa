<script setup lang="ts">
import { onBeforeUnmount, onMounted, watch } from "vue";
import { onBeforeRouteLeave } from "vue-router";
import { useOutbox } from "../../session/useOutbox";
import { useJournal } from "../../session/useJournal";
import JournalBar from "../../ui/JournalBar.vue";
import MetNote from "../../ui/notes/MetNote.vue";
import PageThumb from "../../ui/thumb/PageThumb.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import { useTitle } from "../../ui/useTitle";
import TextsForm from "./TextsForm.vue";
import { useTexts } from "./useTexts";
import { say } from "../../words";

/** What is told of a product in words, beside the page that tells it. */
const props = defineProps<{ handle: string }>();
const texts = useTexts(() => props.handle);
const { view, form, problem, pending, kept, changed, met, load, keep, leaveIt } = texts;
useTitle(() => view.value && say("texts-view-texts-facts", { name: view.value.texts.name }));
const outbox = useOutbox();
const CALLED = {
  name: say("texts-view-name"),
  brand: say("texts-view-who-made"),
  summary: say("texts-view-summary"),
  details: say("texts-view-details"),
  facts: say("texts-view-facts"),
  tags: say("texts-view-tags"),
};
watch(
  () => props.handle,
  () => void load(),
  { immediate: true },
);
const journal = useJournal(
  () => ({ product: props.handle, view: "texts" }),
  () => view.value,
  // What is being written isn't mixed with what was kept before.
  async (call, turn) => !changed.value && (await texts.stepThenRead(call, turn)),
);
// What was written is kept on the way out, here until somebody answers; where it isn't taken, one stays and reads why.
onBeforeRouteLeave(() => !changed.value || Promise.race([keep(), outbox.whenStuck()]));
function warn(event: BeforeUnloadEvent): void {
  if (changed.value) event.preventDefault();
}
onMounted(() => window.addEventListener("beforeunload", warn));
onBeforeUnmount(() => window.removeEventListener("beforeunload", warn));
</script>

<template>
  <main class="texts">
    <div v-if="view" class="view-head">
      <h1>{{ say("texts-view-texts-facts", { name: view.texts.name }) }}</h1>
      <span class="chip" :class="{ differs: changed }" role="status" data-test="state">
        {{
          changed
            ? say("texts-view-not-kept-yet")
            : pending
              ? say("texts-view-way")
              : say("texts-view-shoppers-read-them")
        }}
      </span>
      <span class="space" />
      <JournalBar
        v-if="!changed"
        :control="journal"
        :of="{ product: handle }"
        :name="view.texts.name"
        @changed="load"
      />
      <button v-if="changed" type="button" class="quiet" @click="leaveIt">{{ say("texts-view-cancel") }}</button>
      <v-btn type="submit" form="texts" variant="flat" color="primary" :disabled="!changed">{{
        say("texts-view-save")
      }}</v-btn>
    </div>
    <TextsForm v-if="view && form" v-model="form" :tags="view.usual.tags" @keep="keep">
      <ProblemNote :problem="problem" @retry="keep" />
      <MetNote :met="met.map((field) => CALLED[field])" @take="met.forEach(texts.takeTheirs)" />
    </TextsForm>
    <div v-else class="all">
      <ProgressLine v-if="!problem" />
      <ProblemNote :problem="problem" @retry="load" />
    </div>
    <figure v-if="view" tabindex="0" :aria-label="say('texts-view-page-shoppers-see-now')">
      <figcaption class="soft">{{ say("texts-view-page-shoppers-see-now") }}</figcaption>
      <PageThumb
        :key="`${kept} ${journal.journal.value?.steps[0]?.id ?? 0}`"
        :address="`/shop/products/${handle}`"
        :name="say('texts-view-page', { name: view.texts.name })"
        :width="1280"
        :height="2400"
        fit
      />
    </figure>
  </main>
</template>

<style scoped>
.texts {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  height: calc(100dvh - var(--top) - var(--foot));
  min-height: 480px;
}
.all {
  padding: 12px 18px;
}
figure {
  margin: 0;
  padding: 12px 18px;
  overflow-y: auto;
}
figcaption {
  padding-bottom: 6px;
}
figure .thumb {
  border: 1px solid var(--line);
  box-shadow: var(--shadow);
}
.view-head {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .texts {
    grid-template-rows: none;
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
}
</style>
