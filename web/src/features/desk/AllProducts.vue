<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from "vue";
import PageThumb from "../../ui/thumb/PageThumb.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import { useComesInSight } from "../../ui/useComesInSight";
import { useDesk } from "./deskStore";
import { SCREENS } from "./types";
import { useFirstScreens } from "./useFirstScreens";
import type { DeskProduct } from "./useLeaf";
import type { SituationControl } from "./useSituation";
import OneOf from "../../ui/fields/OneOf.vue";
import { LOCALE, say } from "../../words";

/** Every product that the template serves, side by side, so that the odd one out shows. */
const props = defineProps<{ situation: SituationControl }>();
defineEmits<{ look: [product: string] }>();
const desk = useDesk();
const DEVICES = [
  { value: "wide", says: say("all-products-wide") },
  { value: "phone", says: say("all-products-phone") },
] as const;
// The narrow screen first: there a button is late.
const device = ref<"wide" | "phone">("phone");
/** A card alone is as wide as it stands in a listing. */
const screen = computed(() => (desk.onCard ? { width: 300, height: 400 } : SCREENS[device.value]));
const { count } = props.situation;

const products = shallowRef<DeskProduct[]>([]);
const end = ref<HTMLElement | null>(null);
let turn = 0;
async function load(skip: number): Promise<boolean> {
  const mine = ++turn;
  const { data, error } = await props.situation.part(skip);
  if (mine !== turn) return false;
  if (error) desk.problem = error;
  if (data) products.value = skip === 0 ? data.products : [...products.value, ...data.products];
  return (data?.products.length ?? 0) > 0;
}
const more = (): Promise<boolean> =>
  products.value.length < count.value ? load(products.value.length) : Promise.resolve(false);
const scroll = useComesInSight(end, more);
watch(
  () => desk.view,
  () => void load(0),
);
onMounted(async () => {
  await load(0);
  scroll.begin();
});
onBeforeUnmount(scroll.end);

/** A new draft is another page, so each small proof is asked for anew. */
function address(product: string): string | null {
  const at = props.situation.address({ product }, desk.onCard ? { only: "card" } : {});
  return at && `${at}&draft=${desk.draft?.revision ?? 0}`;
}
/** A card has no first screen of its own. */
const measured = computed(() => (desk.onCard ? [] : products.value));
const { ends, busy, halt } = useFirstScreens(measured, address, device);
/** Once all that there are have been measured, those whose buy button ends late come first, the latest at the head. */
const sorted = computed(() => !busy.value && products.value.length >= count.value);
const inOrder = computed(() => {
  if (!sorted.value) return products.value;
  const late = (one: DeskProduct): number => Math.max(0, ends.get(one.handle) ?? 0);
  return [...products.value].sort((a, b) => late(b) - late(a));
});
const lates = computed(() => [...ends.values()].filter((end) => end !== null && end > 0).length);

const note = computed(() => {
  const number = count.value.toLocaleString(LOCALE);
  if (desk.view?.serves === 0)
    return desk.product?.sample
      ? say("all-products-there-no-products-yet")
      : say("all-products-template-serves-no-product");
  const said = say("all-products-products", { count: count.value, number });
  if (desk.onCard) return said;
  if (busy.value) return say("all-products-first-screens", { said, done: ends.size, count: products.value.length });
  const measured = ends.size < count.value ? say("all-products-measured", { count: ends.size }) : "";
  if (lates.value === 0) return say("all-products-buy-button-lies-first", { said, measured });
  const several = say("all-products-buy-buttons-end", { lates: lates.value });
  return say("all-products-below-first-screen", {
    said,
    several,
    measured,
    sorted: sorted.value ? say("all-products-they-stand-first") : "",
  });
});
function told(product: string): { text: string; late: boolean } | null {
  const below = ends.get(product);
  if (below === undefined) return null;
  if (below === null) return { text: say("all-products-no-buy-button-seen"), late: false };
  return below > 0
    ? { text: say("all-products-button-px-below", { below }), late: true }
    : { text: say("all-products-button-sight"), late: false };
}
</script>

<template>
  <div class="all">
    <div class="head">
      <OneOf v-if="!desk.onCard" v-model="device" :options="DEVICES" :label="say('all-products-screen')" />
      <span class="soft" role="status" data-test="first-screens">{{ note }}</span>
      <ProgressLine v-if="busy" class="measured" :label="note" :done="ends.size" :of="products.length" @stop="halt" />
    </div>
    <ul :class="device">
      <li v-for="product in inOrder" :key="product.handle">
        <button @click="$emit('look', product.handle)">
          <span class="page">
            <PageThumb
              :address="address(product.handle)"
              :name="say('all-products-drawn-small', { name: product.name })"
              :width="screen.width"
              :height="Math.round(screen.height * 1.25)"
            />
            <i v-if="!desk.onCard" class="fold" aria-hidden="true" />
          </span>
          <span class="name"
            ><span class="unseen">{{ say("all-products-put-desk") }} </span>{{ product.name }}</span
          >
          <span
            v-if="!desk.onCard && told(product.handle)"
            class="told"
            :class="told(product.handle)?.late ? 'signal' : 'soft'"
            >{{ told(product.handle)?.text }}</span
          >
        </button>
      </li>
    </ul>
    <div ref="end" class="end" />
  </div>
</template>

<style scoped src="./thumbs.css"></style>
<style scoped>
.measured {
  flex: 0 1 220px;
}
ul.phone {
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
}
.page {
  position: relative;
  display: block;
}
/* Where the first screen ends: four fifths of what is shown. */
.fold {
  position: absolute;
  top: 80%;
  right: 0;
  left: 0;
  border-top: 1px dashed var(--signal);
  pointer-events: none;
}
.name,
.told {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.name {
  padding-top: 6px;
  font-weight: 600;
}
.told {
  min-height: 18px;
  font-size: 12px;
}
.end {
  height: 1px;
}
</style>
