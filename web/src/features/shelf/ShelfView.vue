<script setup lang="ts">
import { computed, ref } from "vue";
import { useJournal } from "../../session/useJournal";
import JournalBar from "../../ui/JournalBar.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import NewProductDialog from "../types/NewProductDialog.vue";
import NewTypeDialog from "../types/NewTypeDialog.vue";
import TypeDialog from "../types/TypeDialog.vue";
import ChosenBar from "./ChosenBar.vue";
import FoundProducts from "./FoundProducts.vue";
import ShelfSearch from "./ShelfSearch.vue";
import ShelfSection from "./ShelfSection.vue";
import SiblingsDialog from "./siblings/SiblingsDialog.vue";
import { type ShelfChoice, useChosen } from "./useChosen";
import { useFound } from "./useFound";
import { type ShelfType, useShelf } from "./useShelf";
import { say } from "../../words";

const shelf = useShelf();
const { types, problem, loading, load, stepThenRead } = shelf;
const search = useFound();
const { asked, wishFor } = search;
void load();
const journal = useJournal(
  () => ({ view: "shelf" }),
  () => types.value,
  async (call) => {
    const done = await stepThenRead(call);
    await search.load();
    return done;
  },
);
const newType = ref(false);
const changing = ref<ShelfType | null>(null);
const adding = ref<ShelfType | null>(null);
/** The products in the order in which they are seen. */
const standing = computed(() =>
  (asked.value ? search.products.value : types.value.flatMap((type) => type.products)).map((one) => one.handle),
);
const chosenOnes = useChosen();
const { chosen, some, inOrder, none } = chosenOnes;
const choice: ShelfChoice = {
  has: (handle) => chosen.value.includes(handle),
  choose: (handle, on, range) => chosenOnes.choose(handle, on, range, standing.value),
};
const joining = ref<string[] | null>(null);
async function joined(): Promise<void> {
  none();
  await Promise.all([load(), search.load()]);
}
async function changed(): Promise<void> {
  changing.value = null;
  await Promise.all([load(), search.load()]);
}
</script>

<template>
  <main class="shelf" :class="{ choosing: some }">
    <header>
      <h1>{{ say("shelf-view-shelf") }}</h1>
      <p class="soft">{{ say("shelf-view-every-product-page-shoppers") }}</p>
      <JournalBar :control="journal" :of="{ view: 'shelf' }" :name="say('shelf-view-shelf-b')" @changed="changed" />
      <v-btn @click="newType = true">{{ say("shelf-view-new-product-type") }}</v-btn>
    </header>
    <ShelfSearch :control="search" />
    <ProgressLine v-if="loading && !asked" />
    <ProblemNote :problem="problem" @retry="load" />
    <FoundProducts v-if="asked" :control="search" :types="types" :choice="choice" @changed="load" />
    <template v-else>
      <p v-if="!loading && !problem && types.length === 0">{{ say("shelf-view-there-no-products-yet") }}</p>
      <ShelfSection
        v-for="type in types"
        :key="type.handle"
        v-model:products="type.products"
        :type="type"
        :types="types"
        :control="shelf"
        :choice="choice"
        @add="adding = type"
        @change="changing = type"
        @all="wishFor({ type: type.handle })"
      />
    </template>
    <ChosenBar v-if="some" :count="chosen.length" @join="joining = inOrder(standing)" @none="none" />
    <SiblingsDialog v-if="joining" :products="joining" @close="joining = null" @changed="joined" />
    <NewTypeDialog v-if="newType" @close="newType = false" />
    <TypeDialog v-if="changing" :kind="changing" @close="changing = null" @changed="changed" />
    <NewProductDialog v-if="adding" :kind="adding" :first="adding.count === 0" @close="adding = null" />
  </main>
</template>

<style scoped>
.shelf {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 22px 18px;
  --columns: repeat(auto-fill, minmax(206px, 1fr));
  width: min(1244px, 100%);
  margin: 0 auto;
  padding: 20px 18px 48px;
}
.shelf > :not(section) {
  grid-column: 1 / -1;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
}
header .journal {
  align-self: center;
}
header p {
  flex: 1;
  margin: 0;
}
.shelf :deep(ul) {
  display: grid;
  grid-template-columns: subgrid;
  gap: 16px 18px;
  margin: 0;
  padding: 0;
  list-style: none;
}
/* There may be thousands: what lies in columns of others is remembered for each of them. */
.shelf > .found :deep(ul) {
  grid-template-columns: var(--columns);
}
.shelf :deep(li) {
  position: relative;
  align-self: start;
}
</style>
<!-- What can be done with a product is offered while one is at it. -->
<style>
@media (hover: hover) {
  .shelf li:not(:hover, :focus-within) .more:not([aria-expanded="true"]),
  .shelf:not(.choosing) li:not(:hover, :focus-within) .choose {
    opacity: 0;
  }
}
</style>
