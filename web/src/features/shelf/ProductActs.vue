<script setup lang="ts">
import { mdiDotsHorizontal } from "@mdi/js";
import { computed, ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ActsMenu from "../../ui/menu/ActsMenu.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import TakeAway from "../../ui/TakeAway.vue";
import { type ProductState, putInState } from "../variants/selling";
import AddressDialog from "./AddressDialog.vue";
import CopyDialog from "./CopyDialog.vue";
import SiblingsDialog from "./siblings/SiblingsDialog.vue";
import type { ShelfProduct, ShelfType } from "./useShelf";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** What is done with a product as a whole: put elsewhere, copied, given another address or type, taken away. */
const props = defineProps<{
  product: ShelfProduct;
  types: ShelfType[];
  /** Whether it stands among its type, where it can be put elsewhere. */
  places?: boolean;
  earlier?: (() => Promise<void>) | undefined;
  later?: (() => Promise<void>) | undefined;
}>();
const emit = defineEmits<{ changed: []; problem: [problem: ApiError] }>();
const path = () => ({ path: { handle: props.product.handle } });
const problem = ref<ApiError | null>(null);
const copying = ref(false);
const joining = ref(false);
const addressing = ref(false);
const removing = ref(false);
const hanging = ref<Schemas["HangingView"] | null>(null);
watch(removing, async (now) => {
  if (!now) return;
  const { data, error } = await ask(api.GET("/api/products/{handle}/hanging", { params: path() }));
  hanging.value = data ?? null;
  problem.value = error ?? null;
});
async function remove(): Promise<void> {
  const { error } = await ask(api.DELETE("/api/products/{handle}", { params: path() }));
  problem.value = error ?? null;
  if (error) return;
  removing.value = false;
  emit("changed");
}
/** What it can become from how it stands. */
const states = computed(() => {
  const now = props.product.standing === "sold_out" ? "on_sale" : props.product.standing;
  const all: { state: ProductState; title: string }[] = [
    { state: "on_sale", title: say("product-acts-put-sale") },
    { state: "coming_soon", title: say("product-acts-announce-coming-soon") },
    { state: "withdrawn", title: say("product-acts-take-off-sale") },
  ];
  return all.filter((one) => one.state !== now);
});
async function become(state: ProductState): Promise<void> {
  const { error } = await putInState(props.product.handle, state);
  if (error) emit("problem", error);
  else emit("changed");
}
const moving = ref(false);
async function move(kind: string): Promise<void> {
  const { error } = await ask(api.PUT("/api/products/{handle}/type", { params: path(), body: { kind } }));
  problem.value = error ?? null;
  moving.value = error !== undefined;
  if (!error) emit("changed");
}
</script>

<template>
  <ActsMenu>
    <template #button="{ menu }">
      <button v-bind="menu" class="more" :aria-label="say('product-acts-more-about', { name: product.name })">
        <v-icon :icon="mdiDotsHorizontal" size="16" />
      </button>
    </template>
    <template v-if="places">
      <v-list-item :title="say('product-acts-earlier-among-type')" :disabled="!earlier" @click="earlier?.()" />
      <v-list-item :title="say('product-acts-later-among-type')" :disabled="!later" @click="later?.()" />
    </template>
    <v-list-item v-for="one in states" :key="one.state" :title="one.title" @click="become(one.state)" />
    <v-divider />
    <v-list-item :title="say('product-acts-make-siblings')" @click="joining = true" />
    <v-list-item :title="say('product-acts-copy')" @click="copying = true" />
    <v-list-item :title="say('product-acts-change-address')" @click="addressing = true" />
    <v-list-item :title="say('product-acts-change-type')" :disabled="types.length < 2" @click="moving = true" />
    <v-list-item :title="say('product-acts-remove')" @click="removing = true" />
  </ActsMenu>
  <AddressDialog v-if="addressing" :product="product" @close="addressing = false" @changed="emit('changed')" />
  <SiblingsDialog v-if="joining" :products="[product.handle]" @close="joining = false" @changed="emit('changed')" />
  <CopyDialog v-if="copying" :product="product" @close="copying = false" />
  <DialogSheet
    v-if="moving"
    v-model="moving"
    :title="say('product-acts-becomes-one', { name: product.name })"
    :label="say('product-acts-another-type', { name: product.name })"
    :width="420"
  >
    <ProblemNote :problem="problem" />
    <div class="kinds">
      <button
        v-for="(type, index) in types.filter((one) => one.handle !== product.kind)"
        :key="type.handle"
        class="quiet"
        :autofocus="index === 0"
        @click="move(type.handle)"
      >
        {{ type.name }}
      </button>
    </div>
    <p class="soft">{{ say("product-acts-page-then-laid-out") }}</p>
  </DialogSheet>
  <TakeAway v-if="removing" v-model="removing" :what="product.name" @taken="remove">
    <template v-if="hanging">
      <li>
        {{
          say("product-acts-go", {
            variants: hanging.variants,
            pictures: hanging.pictures,
            reviews: hanging.reviews,
          })
        }}
      </li>
      <li v-if="hanging.carts">{{ say("product-acts-goes-out", { carts: hanging.carts }) }}</li>
      <li v-if="hanging.waiting">
        {{
          say("product-acts-for-it", {
            waiting: hanging.waiting,
          })
        }}
      </li>
      <li v-if="hanging.orders">
        {{
          say("product-acts-what-they-sold", {
            orders: hanging.orders,
          })
        }}
      </li>
      <li v-if="hanging.templates.length">
        {{ say("product-acts-named", { templates: hanging.templates.join(", ") }) }}
      </li>
      <li v-if="hanging.rules.length">
        {{ say("product-acts-price-rules-name", { count: hanging.rules.length, rules: hanging.rules.join(", ") }) }}
      </li>
    </template>
    <ProblemNote :problem="problem" />
  </TakeAway>
</template>

<style scoped>
.more {
  display: grid;
  place-items: center;
  padding: 0;
  position: absolute;
  top: 6px;
  right: 6px;
  width: 26px;
  height: 24px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  color: var(--soft);
  cursor: pointer;
}
.more:hover,
.more:focus-visible {
  border-color: var(--accent);
  color: var(--accent);
}
.kinds {
  display: grid;
  justify-items: start;
}
</style>
