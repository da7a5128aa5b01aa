<script setup lang="ts">
import { onMounted, ref } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import { useJournal } from "../../session/useJournal";
import JournalBar from "../../ui/JournalBar.vue";
import PageThumb from "../../ui/PageThumb.vue";
import ProblemNote from "../../ui/ProblemNote.vue";
import NewProductDialog from "../types/NewProductDialog.vue";
import NewTypeDialog from "../types/NewTypeDialog.vue";
import TypeDialog from "../types/TypeDialog.vue";
import PagePicture from "./PagePicture.vue";
import ProductActs from "./ProductActs.vue";
import { type ShelfType, useShelf } from "./useShelf";

const { types, problem, loading, load, more, placed, move, stepThenRead } = useShelf();
onMounted(load);
const journal = useJournal(
  () => ({ view: "shelf" }),
  () => types.value,
  stepThenRead,
);
const newType = ref(false);
const changing = ref<ShelfType | null>(null);
const adding = ref<ShelfType | null>(null);
async function changed(): Promise<void> {
  changing.value = null;
  await load();
}

function desk(product: ShelfType["products"][number]) {
  return { name: "desk", params: { id: product.template ?? 0 }, query: { product: product.handle } };
}
/** Whose page differs from the most in its type: told beside it. */
function otherTemplate(type: ShelfType, product: ShelfType["products"][number]): string {
  if (type.templates.length < 2) return "";
  return type.templates.find((one) => one.id === product.template)?.name ?? "";
}

function stateOf(product: ShelfType["products"][number]): string {
  if (product.state === "coming_soon") return "Coming soon";
  if (product.state === "withdrawn") return "Withdrawn";
  if (product.state === "new") return "Not on sale yet";
  return product.can_be_bought ? "" : "Sold out";
}
</script>

<template>
  <main class="shelf">
    <header>
      <h1>Shelf</h1>
      <p class="soft">Every product with its page as shoppers see it now. Open one to look at it on the desk.</p>
      <JournalBar :control="journal" :of="{ view: 'shelf' }" name="the shelf" @changed="load" />
      <v-btn @click="newType = true">New product type</v-btn>
    </header>
    <v-progress-linear v-if="loading" indeterminate color="primary" />
    <ProblemNote :problem="problem" @retry="load" />
    <p v-if="!loading && !problem && types.length === 0">There are no products yet.</p>
    <section
      v-for="type in types"
      :key="type.handle"
      :aria-label="type.name"
      :style="{ '--span': Math.min(5, Math.max(1, type.products.length)) }"
    >
      <div class="head">
        <h2>{{ type.name }}</h2>
        <span class="soft">{{ type.count }}</span>
        <i />
        <button v-if="!type.sample" class="quiet" :aria-label="`Add a product to ${type.name}`" @click="adding = type">
          Add
        </button>
      </div>
      <p class="by">
        <template v-for="one in type.templates" :key="one.id">
          <router-link :to="{ name: 'desk', params: { id: one.id } }">{{ one.name }}</router-link>
          <span class="chip" :class="{ differs: one.draft }">{{ one.draft ? "Draft not live" : "Live" }}</span>
        </template>
      </p>
      <ul v-if="type.sample">
        <li>
          <router-link
            class="card"
            :to="{ name: 'desk', params: { id: type.sample.template }, query: { product: type.sample.handle } }"
          >
            <PageThumb
              class="picture"
              :address="`/api/templates/${type.sample.template}/proof?product=${type.sample.handle}`"
              :name="`Sample of ${type.name}, drawn small`"
              :width="1280"
              :height="900"
            />
            <span class="name">No products yet: a sample</span>
          </router-link>
          <span class="rooms">
            <button class="quiet" @click="changing = type">What they have</button>
            <button class="quiet" @click="adding = type">Add the first product</button>
          </span>
        </li>
      </ul>
      <VueDraggable
        v-else
        v-model="type.products"
        tag="ul"
        :animation="120"
        :delay="180"
        delay-on-touch-only
        @end="({ oldIndex, newIndex }) => oldIndex !== newIndex && placed(type, newIndex ?? 0)"
      >
        <li v-for="(product, index) in type.products" :key="product.handle">
          <router-link
            class="card"
            draggable="false"
            :to="desk(product)"
            :title="product.why ? `This template because ${product.why}` : undefined"
          >
            <PagePicture :handle="product.handle" :name="product.name" />
            <span class="name">{{ product.name }}</span>
          </router-link>
          <span class="rooms">
            <b v-if="stateOf(product)" class="signal">{{ stateOf(product) }}</b>
            <span v-if="otherTemplate(type, product)">{{ otherTemplate(type, product) }}</span>
            <span v-if="product.departures" :title="`${product.departures} values differ from its template`">
              <span class="dot" aria-hidden="true" />
              {{ product.departures === 1 ? "1 departure" : `${product.departures} departures` }}
            </span>
            <router-link
              :to="{ name: 'variants', params: { handle: product.handle } }"
              :aria-label="`${product.variants === 1 ? '1 variant' : `${product.variants} variants`} of ${product.name}`"
              >{{ product.variants === 1 ? "1 variant" : `${product.variants} variants` }}</router-link
            >
            <router-link
              :to="{ name: 'pictures', params: { handle: product.handle } }"
              :aria-label="`Pictures of ${product.name}`"
              >Pictures</router-link
            >
            <router-link
              :to="{ name: 'texts', params: { handle: product.handle } }"
              :aria-label="`Texts and facts of ${product.name}`"
              >Texts</router-link
            >
          </span>
          <ProductActs
            :product="product"
            :kind="type.handle"
            :types="types"
            :first="index === 0"
            :last="index === type.products.length - 1"
            @changed="load"
            @earlier="move(type, index, index - 1)"
            @later="move(type, index, index + 1)"
          />
        </li>
      </VueDraggable>
      <button v-if="type.products.length < type.count" class="quiet" @click="more(type)">
        Show more of {{ type.count - type.products.length }}
      </button>
    </section>
    <NewTypeDialog v-if="newType" @close="newType = false" />
    <TypeDialog v-if="changing" :kind="changing" @close="changing = null" @changed="changed" />
    <NewProductDialog v-if="adding" :kind="adding" :first="adding.count === 0" @close="adding = null" />
  </main>
</template>

<style scoped>
.shelf {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(206px, 1fr));
  gap: 22px 18px;
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
section {
  display: grid;
  grid-column: span var(--span);
  grid-template-columns: subgrid;
  align-content: start;
}
section > * {
  grid-column: 1 / -1;
}
.head {
  display: flex;
  align-items: center;
  gap: 8px;
}
.head h2 {
  white-space: nowrap;
}
.head i {
  flex: 1;
  height: 1px;
  background: var(--line);
}
.by {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 5px 0 9px;
}
ul {
  display: grid;
  grid-template-columns: subgrid;
  gap: 16px 18px;
  margin: 0;
  padding: 0;
  list-style: none;
}
@media (max-width: 860px) {
  section {
    grid-column: 1 / -1;
  }
}
.card {
  display: block;
  color: inherit;
  text-decoration: none;
}
.card :deep(.picture) {
  margin-bottom: 7px;
  border: 1px solid var(--line);
  border-radius: 4px;
  box-shadow: var(--shadow);
}
.card:hover :deep(.picture) {
  border-color: var(--accent);
}
.name {
  display: -webkit-box;
  overflow: hidden;
  font-weight: 600;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
li {
  position: relative;
  align-self: start;
}
@media (hover: hover) {
  li:not(:hover, :focus-within) > :deep(.more:not([aria-expanded="true"])) {
    opacity: 0;
  }
}
.rooms {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
  font-size: 12px;
}
.rooms a {
  padding: 2px 0;
  color: var(--soft);
}
.rooms .quiet {
  padding: 2px 0;
}
.rooms a:hover {
  color: var(--accent);
}
</style>
