<script setup lang="ts">
import { mdiArrowUp, mdiClose } from "@mdi/js";
import { nextTick, onBeforeUnmount, onMounted, ref, watch } from "vue";
import { onBeforeRouteLeave } from "vue-router";
import PageThumb from "../../ui/PageThumb.vue";
import ProblemNote from "../../ui/ProblemNote.vue";
import { useTexts } from "./useTexts";

/** What is told of a product in words, beside the page that tells it. */
const props = defineProps<{ handle: string }>();
const { view, form, problem, busy, kept, changed, load, keep, leaveIt } = useTexts(() => props.handle);
watch(
  () => props.handle,
  () => void load(),
  { immediate: true },
);
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

// What was written is kept on the way out; where that can't be, one stays and reads why.
onBeforeRouteLeave(async () => !changed.value || (await keep()));
function warn(event: BeforeUnloadEvent): void {
  if (changed.value) event.preventDefault();
}
onMounted(() => window.addEventListener("beforeunload", warn));
onBeforeUnmount(() => window.removeEventListener("beforeunload", warn));
</script>

<template>
  <main class="texts">
    <div v-if="view" class="head">
      <h1>{{ view.texts.name }}: texts and facts</h1>
      <span class="chip" :class="{ differs: changed }" role="status" data-test="state">
        {{ changed ? "Not kept yet" : "As shoppers read them" }}
      </span>
      <span class="space" />
      <router-link :to="{ name: 'pictures', params: { handle } }">Pictures</router-link>
      <router-link :to="{ name: 'variants', params: { handle } }">Variants</router-link>
      <button v-if="changed" type="button" class="quiet" @click="leaveIt">Leave it as it was</button>
      <v-btn type="submit" form="texts" variant="flat" color="primary" :disabled="!changed || busy">Keep</v-btn>
    </div>
    <form v-if="view && form" id="texts" ref="sheet" class="all" aria-label="Texts and facts" @submit.prevent="keep">
      <ProblemNote :problem="problem" @retry="keep" />
      <div class="row">
        <label>
          <span class="soft">Name</span>
          <input v-model="form.name" required />
        </label>
        <label>
          <span class="soft">Made by</span>
          <input v-model="form.brand" placeholder="the shop itself" />
        </label>
      </div>
      <label>
        <span class="soft">Summary</span>
        <textarea v-model="form.summary" rows="3" />
      </label>
      <section aria-label="Texts">
        <h2>Texts</h2>
        <p class="soft">An empty line begins another paragraph. A title without a text isn’t shown.</p>
        <ul data-group="details">
          <li v-for="(one, at) in form.details" :key="at">
            <span class="line">
              <input v-model="one.title" placeholder="Title" :aria-label="`Title of text ${at + 1}`" />
              <button
                type="button"
                class="tool"
                :disabled="at === 0"
                :aria-label="`Move ${one.title || 'this text'} up`"
                title="Up"
                @click="up(form.details, at)"
              >
                <v-icon :icon="mdiArrowUp" size="15" />
              </button>
              <button
                type="button"
                class="tool"
                :aria-label="`Remove ${one.title || 'this text'}`"
                title="Remove"
                @click="form.details.splice(at, 1)"
              >
                <v-icon :icon="mdiClose" size="15" />
              </button>
            </span>
            <textarea v-model="one.text" rows="3" :aria-label="one.title || `Text ${at + 1}`" />
          </li>
        </ul>
        <button type="button" class="quiet" @click="add(form.details, { title: '', text: '' }, 'details')">
          Add a text
        </button>
      </section>
      <section aria-label="Facts">
        <h2>Facts</h2>
        <ul data-group="facts">
          <li v-for="(one, at) in form.facts" :key="at" class="line">
            <input v-model="one.name" placeholder="Name" :aria-label="`Name of fact ${at + 1}`" />
            <input v-model="one.value" placeholder="not told" :aria-label="one.name || `Fact ${at + 1}`" />
            <button
              type="button"
              class="tool"
              :disabled="at === 0"
              :aria-label="`Move ${one.name || 'this fact'} up`"
              title="Up"
              @click="up(form.facts, at)"
            >
              <v-icon :icon="mdiArrowUp" size="15" />
            </button>
            <button
              type="button"
              class="tool"
              :aria-label="`Remove ${one.name || 'this fact'}`"
              title="Remove"
              @click="form.facts.splice(at, 1)"
            >
              <v-icon :icon="mdiClose" size="15" />
            </button>
          </li>
        </ul>
        <button type="button" class="quiet" @click="add(form.facts, { name: '', value: '' }, 'facts')">
          Add a fact
        </button>
      </section>
      <v-combobox
        v-model="form.tags"
        :items="view.usual.tags"
        label="Tags"
        hint="Templates and prices can be for products with a tag."
        persistent-hint
        multiple
        chips
        closable-chips
      />
    </form>
    <div v-else class="all">
      <v-progress-linear v-if="!problem" indeterminate color="primary" />
      <ProblemNote :problem="problem" @retry="load" />
    </div>
    <figure v-if="view">
      <figcaption class="soft">The page as shoppers see it now</figcaption>
      <PageThumb
        :key="kept"
        :address="`/shop/products/${handle}`"
        :name="`The page of ${view.texts.name}`"
        :width="1280"
        :height="2400"
        fit
      />
    </figure>
  </main>
</template>

<style scoped src="../../ui/form.css"></style>
<style scoped>
.texts {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  height: calc(100dvh - 48px);
  min-height: 480px;
}
form {
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
.head {
  display: flex;
  grid-column: 1 / -1;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  min-height: 50px;
  padding: 4px 18px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
}
.space {
  flex: 1;
}
.all {
  gap: 14px;
  align-content: start;
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
.line input:first-child {
  font-weight: 600;
}
[data-group="facts"] input:first-child {
  width: 34%;
}
[data-group="facts"] input:nth-child(2) {
  flex: 1;
}
.tool:disabled {
  visibility: hidden;
}
textarea {
  width: 100%;
  padding: 5px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
  resize: vertical;
  field-sizing: content;
  min-height: 62px;
  max-height: 320px;
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
@media (max-width: 900px) {
  .texts {
    grid-template-rows: none;
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
}
</style>
