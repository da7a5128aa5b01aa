<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from "vue";
import NearSight from "../../ui/NearSight.vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { useComesInSight } from "../../ui/useComesInSight";
import { useResizeObserver } from "../../ui/useResizeObserver";
import ProductActs from "./ProductActs.vue";
import ProductCard from "./ProductCard.vue";
import type { ShelfChoice } from "./useChosen";
import type { FoundControl } from "./useFound";
import type { ShelfType } from "./useShelf";
import { say } from "../../words";

/** The products that fit what is looked for; further ones come as one scrolls. */
const props = defineProps<{ control: FoundControl; types: ShelfType[]; choice: ShelfChoice }>();
const emit = defineEmits<{ changed: [] }>();
const { products, found, problem, busy, wish, load, more } = props.control;
const end = ref<HTMLElement | null>(null);
const scroll = useComesInSight(end, more);
onMounted(scroll.begin);
onBeforeUnmount(scroll.end);
// What was found anew may be too short for its end to go out of sight and come back.
watch(found, () => scroll.again(), { flush: "post" });
/** Of thousands only a few rows are there at a time; the rest keep their place. */
const ROWS = 3;
/** A card's least width and what is between two, as the shelf's columns have them; and about how high a row is. */
const [CARD, BETWEEN, ROW] = [206, 18, 256];
const place = ref<HTMLElement | null>(null);
const room = useResizeObserver(place);
const parts = computed(() => {
  const size = ROWS * Math.max(1, Math.floor((room.value.width + BETWEEN) / (CARD + BETWEEN)));
  const count = room.value.width ? Math.ceil(products.value.length / size) : 0;
  return Array.from({ length: count }, (_, at) => products.value.slice(at * size, (at + 1) * size));
});
const nameOf = (kind: string): string => props.types.find((type) => type.handle === kind)?.name ?? kind;
async function changed(): Promise<void> {
  emit("changed");
  await load();
}
</script>

<template>
  <section ref="place" class="found" :aria-label="say('found-products-products-found')">
    <NearSight v-for="part in parts" :key="part[0]?.handle" tag="ul" :height="ROWS * ROW" :data-holds="part.length">
      <li v-for="product in part" :key="product.handle">
        <ProductCard
          :product="product"
          :kind="wish.type ? undefined : nameOf(product.kind)"
          told
          :chosen="choice.has(product.handle)"
          @choose="(on, range) => choice.choose(product.handle, on, range)"
          @changed="changed"
        />
        <ProductActs :product="product" :types="types" @changed="changed" @problem="problem = $event" />
      </li>
    </NearSight>
    <EmptyPlace v-if="found?.count === 0">{{ say("found-products-nothing-shelf-fits-name") }}</EmptyPlace>
    <ProblemNote :problem="problem" @retry="load" />
    <div ref="end" class="end soft">
      <template v-if="busy && products.length">{{ say("found-products-more-their-way") }}</template>
    </div>
  </section>
</template>

<style scoped>
.found {
  grid-column: 1 / -1;
}
.found ul + ul {
  margin-top: 16px;
}
.end {
  min-height: 24px;
  margin-top: 12px;
}
</style>
