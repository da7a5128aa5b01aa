<script setup lang="ts">
import { VueDraggable } from "vue-draggable-plus";
import NearSight from "../../ui/NearSight.vue";
import PageThumb from "../../ui/thumb/PageThumb.vue";
import ProductActs from "./ProductActs.vue";
import ProductCard from "./ProductCard.vue";
import type { ShelfChoice } from "./useChosen";
import type { ShelfControl, ShelfProduct, ShelfType } from "./useShelf";
import { LOCALE, say } from "../../words";

/** A type with the templates that serve it and its first products, in the order in which they stand in the shop. */
const props = defineProps<{ type: ShelfType; types: ShelfType[]; control: ShelfControl; choice: ShelfChoice }>();
defineEmits<{ add: []; change: []; all: [] }>();
const products = defineModel<ShelfProduct[]>("products", { required: true });
const { load, placed, move, problem } = props.control;
</script>

<template>
  <section :aria-label="type.name" :style="{ '--span': Math.min(5, Math.max(1, products.length)) }">
    <div class="head">
      <h2>{{ type.name }}</h2>
      <span class="soft">{{ type.count.toLocaleString(LOCALE) }}</span>
      <i />
      <button
        v-if="!type.sample"
        class="quiet"
        :aria-label="say('shelf-section-add-product', { name: type.name })"
        @click="$emit('add')"
      >
        {{ say("shelf-section-add") }}
      </button>
    </div>
    <p class="by">
      <span v-if="type.templates.length" class="soft">{{ say("shelf-section-served") }}</span>
      <template v-for="one in type.templates" :key="one.id">
        <router-link :to="{ name: 'desk', params: { id: one.id } }">{{ one.name }}</router-link>
        <span class="chip" :class="{ differs: one.draft }">{{
          one.draft ? say("shelf-section-draft-not-live") : say("shelf-section-live")
        }}</span>
      </template>
      <router-link
        class="listing"
        :to="{ name: 'listings', query: { of: `type:${type.handle}` } }"
        :aria-label="say('shelf-section-listing-of', { name: type.name })"
        >{{ say("shelf-section-listing") }}</router-link
      >
    </p>
    <ul v-if="type.sample">
      <li>
        <router-link
          class="sample"
          :to="{ name: 'desk', params: { id: type.sample.template }, query: { product: type.sample.handle } }"
        >
          <PageThumb
            :address="`/api/templates/${type.sample.template}/proof?product=${type.sample.handle}`"
            :name="say('shelf-section-sample-drawn-small', { name: type.name })"
            :width="1280"
            :height="900"
          />
          <b>{{ say("shelf-section-no-products-yet-sample") }}</b>
        </router-link>
        <span class="rooms">
          <button class="quiet" @click="$emit('change')">{{ say("shelf-section-what-they-have") }}</button>
          <button class="quiet" @click="$emit('add')">{{ say("shelf-section-add-first-product") }}</button>
        </span>
      </li>
    </ul>
    <VueDraggable
      v-else
      v-model="products"
      tag="ul"
      :animation="120"
      :delay="180"
      delay-on-touch-only
      @end="({ oldIndex, newIndex }) => oldIndex !== newIndex && placed(products, newIndex ?? 0)"
    >
      <NearSight v-for="(product, index) in products" :key="product.handle" tag="li" :height="212">
        <ProductCard
          :product="product"
          :told="type.templates.length > 1"
          :chosen="choice.has(product.handle)"
          @choose="(on, range) => choice.choose(product.handle, on, range)"
          @changed="load"
        />
        <ProductActs
          :product="product"
          :types="types"
          :earlier="index > 0 ? () => move(products, index, index - 1) : undefined"
          :later="index < products.length - 1 ? () => move(products, index, index + 1) : undefined"
          places
          @changed="load"
          @problem="problem = $event"
        />
      </NearSight>
    </VueDraggable>
    <button v-if="products.length < type.count" class="quiet all" @click="$emit('all')">
      {{ say("shelf-section-all", { count: type.count.toLocaleString(LOCALE), name: type.name }) }}
    </button>
  </section>
</template>

<style scoped>
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
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  margin: 5px 0 9px;
}
.sample {
  display: block;
  color: inherit;
  text-decoration: none;
}
.sample .thumb {
  margin-bottom: 7px;
  border: 1px solid var(--line);
  border-radius: 4px;
  box-shadow: var(--shadow);
}
.sample:hover .thumb {
  border-color: var(--accent);
}
.rooms {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 6px;
}
.all {
  justify-self: start;
  margin-top: 12px;
}
@media (max-width: 860px) {
  section {
    grid-column: 1 / -1;
  }
}
</style>
