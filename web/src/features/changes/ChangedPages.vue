<script setup lang="ts">
import { computed, ref, watch } from "vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import PageBeside from "./PageBeside.vue";
import PageLine from "./PageLine.vue";
import VisitParts from "../../ui/visit/VisitParts.vue";
import type { Visit } from "../../ui/visit/useVisit";
import { type ImpactControl, type Page, type WayTold, under } from "./useImpact";
import OneOf from "../../ui/fields/OneOf.vue";
import { LOCALE, say } from "../../words";

/** The pages that something changes, by the kind of change, the worst first; each before and after, side by side. */
const chosen = defineModel<string[]>("chosen");
const props = defineProps<{
  impact: ImpactControl;
  ways: WayTold[];
  /** The page that is looked at while none changes. */
  first?: { handle: string; name: string } | null;
  /** What is said where no page changes. */
  none: string;
  /** The address of a page after the change. */
  after: string;
  /** Whether it is the products' cards that change, not their pages. */
  cards?: boolean;
  /** How many pieces are looked at, and the cart. */
  visit: Visit;
}>();
const { says, busy, stopped, done, of, problem } = props.impact;
const picked = ref<Page | null>(null);
const looking = computed(() => picked.value ?? props.first ?? null);
const phone = ref(false);
const SCREENS = [
  { value: false, says: say("changed-pages-wide") },
  { value: true, says: say("changed-pages-phone") },
];
const open = ref(new Set<number>());
const MOST = 6;
/** Longer lists have a bar of their own and draw only what is in sight. */
const MANY = 60;

watch(
  () => props.ways,
  ([first], was) => {
    if (was?.length === 0 || !picked.value) picked.value = first?.pages[0] ?? null;
  },
);
const pages = (way: WayTold): Page[] => (open.value.has(way.number) ? way.pages : way.pages.slice(0, MOST));
const query = computed(() => ({ product: looking.value?.handle ?? "", ...props.visit.query.value }));
const before = computed(() => under("/api/changes/now", { ...query.value, purpose: props.cards ? "card" : "page" }));
const after = computed(() => under(props.after, query.value));

function takeAll(way: WayTold): void {
  const handles = new Set(way.pages.map((page) => page.handle));
  const now = chosen.value ?? [];
  const others = now.filter((handle) => !handles.has(handle));
  const all = now.length - others.length === handles.size;
  chosen.value = all ? others : [...others, ...handles];
}
</script>

<template>
  <main class="changes">
    <div class="head">
      <h1>{{ say("changed-pages-what-changes-where") }}</h1>
      <slot name="of" />
      <span role="status" class="chip" data-test="count">{{ says }}</span>
      <button v-if="stopped" class="quiet" @click="impact.search">{{ say("changed-pages-compare-again") }}</button>
      <VisitParts :visit="visit" />
      <i />
      <slot name="publish" />
    </div>
    <ProgressLine
      v-if="busy"
      class="compared"
      :label="say('changed-pages-compared')"
      :done="done"
      :of="of"
      @stop="impact.halt"
    />
    <ProblemNote :problem="problem" @retry="impact.search" />
    <slot name="note" />
    <div class="halves">
      <section class="ways" :aria-label="say('changed-pages-kinds-change')">
        <EmptyPlace v-if="!busy && !problem && ways.length === 0">{{ none }}</EmptyPlace>
        <div v-for="way in ways" :key="way.number" class="way">
          <p v-for="fault in way.mend" :key="fault" class="signal">{{ say("changed-pages-mend", { fault }) }}</p>
          <p v-for="word in way.says.slice(0, MOST)" :key="word">{{ word }}</p>
          <p v-if="way.says.length > MOST" class="soft">
            {{ say("changed-pages-more", { count: way.says.length - MOST }) }}
          </p>
          <div class="count">
            <span class="soft">{{
              cards
                ? say("changed-pages-cards", { count: way.pages.length })
                : say("changed-pages-pages", { count: way.pages.length })
            }}</span>
            <button v-if="chosen" class="quiet" @click="takeAll(way)">{{ say("changed-pages-choose-these") }}</button>
          </div>
          <v-virtual-scroll
            v-if="open.has(way.number) && way.pages.length > MANY"
            class="many"
            role="list"
            :items="way.pages"
            :item-height="26"
            item-key="handle"
          >
            <template #default="{ item }">
              <PageLine v-model:chosen="chosen" :page="item" :looking="looking" @look="picked = item" />
            </template>
          </v-virtual-scroll>
          <div v-else role="list">
            <PageLine
              v-for="page in pages(way)"
              :key="page.handle"
              v-model:chosen="chosen"
              :page="page"
              :looking="looking"
              @look="picked = page"
            />
          </div>
          <button v-if="way.pages.length > MOST && !open.has(way.number)" class="quiet" @click="open.add(way.number)">
            {{ say("changed-pages-show-all", { count: way.pages.length.toLocaleString(LOCALE) }) }}
          </button>
        </div>
      </section>
      <section v-if="looking" class="beside" :aria-label="say('changed-pages-before-after', { name: looking.name })">
        <div class="pick">
          <h2>{{ looking.name }}</h2>
          <OneOf v-model="phone" :options="SCREENS" :label="say('changed-pages-screen')" />
        </div>
        <div class="pair">
          <PageBeside :address="before" :title="say('changed-pages-shoppers-see-now')" :phone="phone" />
          <PageBeside :address="after" :title="say('changed-pages-they-will-see')" :phone="phone" />
        </div>
      </section>
    </div>
  </main>
</template>

<style scoped>
.changes {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - var(--top) - var(--foot));
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
.compared {
  padding: 4px 18px;
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
.way > .quiet {
  min-height: 24px;
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
.many {
  height: 340px;
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
