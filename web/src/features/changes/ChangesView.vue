<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useRouter } from "vue-router";
import type { ApiError } from "../../api/client";
import ProblemNote from "../../ui/ProblemNote.vue";
import { changeWords } from "../desk/changes";
import { useDesk } from "../desk/deskStore";
import { useScope } from "../desk/useScope";
import PageBeside from "./PageBeside.vue";
import PublishBar from "./PublishBar.vue";
import { type Page, type Way, lackWords, useImpact } from "./useImpact";

/** The pages that publishing changes, by the kind of change, the worst first; each before and after, side by side. */
const props = defineProps<{ id: number }>();
const desk = useDesk();
const router = useRouter();
const { nameOf } = useScope();
const { ways, count, done, of, busy, stopped, problem, search, halt } = useImpact(() => props.id);
const failed = ref<ApiError | null>(null);
const looking = ref<Page | null>(null);
const phone = ref(false);
const chosen = ref<string[]>([]);
const open = ref(new Set<number>());
const MOST = 6;

watch(
  () => props.id,
  async (id) => {
    await desk.open(id);
    await search();
  },
  { immediate: true },
);
watch(ways, ([first]) => (looking.value ??= first?.pages[0] ?? null));

const words = (way: Way): string[] =>
  desk.draft ? changeWords(way.impact.changes, desk.draft.layout, desk.labels, nameOf) : [];
const pages = (way: Way): Page[] => (open.value.has(way.number) ? way.pages : way.pages.slice(0, MOST));
const says = computed(() => {
  if (busy.value && done.value === 0) return "Comparing …";
  const some = count.value === 1 ? "1 page changes" : `${count.value} pages change`;
  const searched = busy.value || stopped.value ? ` so far, ${done.value} of ${of.value} compared` : ` of ${of.value}`;
  return some + searched;
});
const before = computed(() => `/shop/products/${looking.value?.handle}`);
const after = computed(() => `/api/templates/${props.id}/proof?product=${looking.value?.handle}`);

function takeAll(way: Way): void {
  const handles = way.pages.map((page) => page.handle);
  const all = handles.every((handle) => chosen.value.includes(handle));
  const others = chosen.value.filter((handle) => !handles.includes(handle));
  chosen.value = all ? others : [...others, ...handles];
}
async function published(): Promise<void> {
  await router.push({ name: "desk", params: { id: props.id } });
}
</script>

<template>
  <main class="changes">
    <div class="head">
      <h1>What changes where</h1>
      <router-link :to="{ name: 'desk', params: { id } }">{{ desk.view?.name }}</router-link>
      <span role="status" class="chip" data-test="count">{{ says }}</span>
      <button v-if="busy" class="quiet" @click="halt">Stop</button>
      <button v-else-if="stopped" class="quiet" @click="search">Compare again</button>
      <i />
      <PublishBar :chosen="chosen" :count="count" @done="published" @problem="(error) => (failed = error)" />
    </div>
    <v-progress-linear v-if="busy" :model-value="of ? (100 * done) / of : 0" color="primary" aria-label="Compared" />
    <ProblemNote :problem="problem ?? failed" @retry="search" />
    <div class="halves">
      <section class="ways" aria-label="Kinds of change">
        <p v-if="!busy && ways.length === 0" class="soft none">
          No page changes: what differs in the draft has nothing to show for any product that it serves.
        </p>
        <div v-for="way in ways" :key="way.number" class="way">
          <p v-for="lack in lackWords(way.impact.lacks)" :key="lack" class="signal">To mend: {{ lack }}</p>
          <p v-for="word in words(way).slice(0, MOST)" :key="word">{{ word }}</p>
          <p v-if="words(way).length > MOST" class="soft">and {{ words(way).length - MOST }} more</p>
          <div class="count">
            <span class="soft">{{ way.pages.length === 1 ? "1 page" : `${way.pages.length} pages` }}</span>
            <button class="quiet" @click="takeAll(way)">Choose these</button>
          </div>
          <ul>
            <li v-for="page in pages(way)" :key="page.handle" :class="{ here: page.handle === looking?.handle }">
              <input v-model="chosen" type="checkbox" :value="page.handle" :aria-label="`Publish for ${page.name}`" />
              <button :aria-pressed="page.handle === looking?.handle" @click="looking = page">{{ page.name }}</button>
            </li>
          </ul>
          <button v-if="way.pages.length > MOST && !open.has(way.number)" class="quiet" @click="open.add(way.number)">
            Show all {{ way.pages.length }}
          </button>
        </div>
      </section>
      <section v-if="looking" class="beside" :aria-label="`${looking.name}, before and after`">
        <div class="pick">
          <h2>{{ looking.name }}</h2>
          <v-btn-toggle v-model="phone" mandatory aria-label="Screen">
            <v-btn :value="false">Wide</v-btn>
            <v-btn :value="true">Phone</v-btn>
          </v-btn-toggle>
        </div>
        <div class="pair">
          <PageBeside :address="before" title="As shoppers see it now" :phone="phone" />
          <PageBeside :address="after" title="After publishing" :phone="phone" />
        </div>
      </section>
    </div>
  </main>
</template>

<style scoped>
.changes {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - 48px);
  min-height: 520px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  padding: 8px 18px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
}
.head i {
  flex: 1;
}
.halves {
  display: grid;
  flex: 1;
  grid-template-columns: 320px minmax(0, 1fr);
  min-height: 0;
}
.ways {
  overflow-y: auto;
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
.way {
  padding: 10px 14px;
  border-bottom: 1px solid var(--line);
}
.way p {
  margin: 0;
  font-weight: 600;
}
.way p.soft {
  font-weight: 400;
}
.count {
  display: flex;
  gap: 10px;
  margin: 4px 0;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 0 -14px;
  padding: 0 14px;
}
li button {
  flex: 1;
  overflow: hidden;
  padding: 4px 0;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}
li input {
  accent-color: var(--accent);
}
.here {
  background: var(--accent-weak);
  box-shadow: inset 3px 0 0 var(--accent);
}
.none {
  padding: 14px;
}
.beside {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  padding: 12px 18px 18px;
}
.pick {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
.pair {
  display: flex;
  flex: 1;
  gap: 18px;
  min-height: 0;
}
@media (max-width: 900px) {
  .changes {
    height: auto;
  }
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .beside {
    height: 80dvh;
  }
}
</style>
