<script setup lang="ts">
import PageThumb from "../../ui/thumb/PageThumb.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import ProductSiblings from "./siblings/ProductSiblings.vue";
import type { ShelfProduct } from "./useShelf";
import { say } from "../../words";

/** A product with its page as shoppers see it now, and the way to all that is its own. */
defineProps<{
  product: ShelfProduct;
  /** Its type, where it doesn't stand under it. */
  kind?: string;
  /** Whether it is told by which template it is served. */
  told: boolean;
  chosen: boolean;
}>();
defineEmits<{ choose: [on: boolean, range: boolean]; changed: [] }>();
</script>

<template>
  <router-link
    class="card"
    draggable="false"
    :to="{ name: 'desk', params: { id: product.template ?? 0 }, query: { product: product.handle } }"
    :title="product.why ? say('product-card-template-because', { why: product.why }) : undefined"
  >
    <PageThumb
      class="picture"
      :address="`/api/products/${product.handle}/small`"
      :name="say('product-card-page', { name: product.name })"
      :width="1280"
      :height="900"
    />
    <span class="name">{{ product.name }}</span>
  </router-link>
  <label class="choose" :class="{ chosen }">
    <TickBox
      :model-value="chosen"
      :aria-label="say('product-card-choose', { name: product.name })"
      @click="$emit('choose', !chosen, ($event as MouseEvent).shiftKey)"
    />
  </label>
  <span v-if="kind || told" class="told soft">
    <template v-if="kind">{{ kind }}</template>
    <template v-if="kind && told">, </template>
    <template v-if="told">{{
      say("product-card-served", { served_by: product.served_by || say("product-card-no-template") })
    }}</template>
  </span>
  <span class="rooms">
    <b v-if="product.says" class="signal">{{ product.says }}</b>
    <span
      v-if="product.departures"
      :title="say('product-card-values-differ-from-template', { departures: product.departures })"
    >
      <span class="dot" aria-hidden="true" />
      {{ say("product-card-departures", { departures: product.departures }) }}
    </span>
    <ProductSiblings v-if="product.siblings.length" :product="product" @changed="$emit('changed')" />
    <router-link
      :to="{ name: 'variants', params: { handle: product.handle } }"
      :aria-label="say('product-card-of', { variants: product.variants, name: product.name })"
      >{{ say("product-card-variants", { variants: product.variants }) }}</router-link
    >
    <router-link
      :to="{ name: 'pictures', params: { handle: product.handle } }"
      :aria-label="say('product-card-pictures', { name: product.name })"
      >{{ say("product-card-pictures-b") }}</router-link
    >
    <router-link
      :to="{ name: 'texts', params: { handle: product.handle } }"
      :aria-label="say('product-card-texts-facts', { name: product.name })"
      >{{ say("product-card-texts") }}</router-link
    >
  </span>
</template>

<style scoped>
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
.choose {
  position: absolute;
  top: 6px;
  left: 6px;
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  cursor: pointer;
}
.told {
  display: block;
  overflow: hidden;
  font-size: 12px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.rooms {
  display: flex;
  flex-wrap: wrap;
  gap: 0 9px;
  align-items: center;
  font-size: 12px;
}
.rooms a {
  display: inline-flex;
  align-items: center;
  min-width: 24px;
  min-height: 24px;
  color: var(--soft);
}
.rooms a:hover {
  color: var(--accent);
}
</style>
