<script setup lang="ts">
import { mdiChevronLeft, mdiChevronRight } from "@mdi/js";
import { computed, ref } from "vue";
import SheetMenu from "../../ui/menu/SheetMenu.vue";
import ProductList from "../../ui/products/ProductList.vue";
import { viewsOfProduct } from "../../ui/places";
import { useDesk } from "./deskStore";
import type { SituationControl } from "./useSituation";
import { LOCALE, say } from "../../words";

/** Which product lies on the desk: leafed through one by one, or found by its name. */
const props = defineProps<{ situation: SituationControl }>();
const { facts, count, place, product, name, find } = props.situation;
const desk = useDesk();
/** All else that is the product's own. */
const views = computed(() => viewsOfProduct(product.value ?? ""));
const open = ref(false);
function pick(handle: string): void {
  open.value = false;
  void props.situation.look(handle);
}
</script>

<template>
  <div class="leaf">
    <button
      :aria-label="say('leaf-menu-product-before')"
      :title="say('leaf-menu-product-before')"
      @click="situation.leaf(-1)"
    >
      <v-icon :icon="mdiChevronLeft" size="16" />
    </button>
    <SheetMenu v-model="open">
      <template #button="{ menu }">
        <button v-bind="menu" class="product" :title="facts?.name">
          <span>{{ name }}</span>
          <small class="soft">{{
            say("leaf-menu-of", { place: (place + 1).toLocaleString(LOCALE), count: count.toLocaleString(LOCALE) })
          }}</small>
        </button>
      </template>
      <ProductList
        :load="find"
        :picked="product ? [product] : []"
        :label="say('leaf-menu-product-desk')"
        @pick="(one) => pick(one.handle)"
      >
        <p v-if="product && !desk.product?.sample" class="of">
          <span class="soft">{{ say("leaf-menu-of-b", { name }) }}</span>
          <router-link v-for="view in views" :key="view.to" :to="view.to">{{ view.name }}</router-link>
        </p>
      </ProductList>
    </SheetMenu>
    <button
      :aria-label="say('leaf-menu-next-product')"
      :title="say('leaf-menu-next-product')"
      @click="situation.leaf(1)"
    >
      <v-icon :icon="mdiChevronRight" size="16" />
    </button>
  </div>
</template>

<style scoped>
.leaf {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
}
.leaf > button:not(.product) {
  width: 24px;
  height: 24px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: var(--field);
}
.leaf > button:not(.product):hover {
  border-color: var(--soft);
}
.product {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 24px;
  max-width: 250px;
  font-weight: 600;
  white-space: nowrap;
}
.product span {
  overflow: hidden;
  text-overflow: ellipsis;
}
.of {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  margin: 0;
  padding: 4px 8px 2px;
  border-top: 1px solid var(--line);
  font-size: 12px;
}
.of a {
  min-height: 24px;
}
.product small {
  font-size: 12px;
  font-weight: 500;
}
</style>
