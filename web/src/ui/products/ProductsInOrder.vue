<script setup lang="ts">
import { mdiDragVertical, mdiPlus } from "@mdi/js";
import { ref } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import SheetMenu from "../menu/SheetMenu.vue";
import RowTools from "../RowTools.vue";
import ProductList, { type Line } from "./ProductList.vue";
import { anyProduct } from "./anyProduct";
import { say } from "../../words";

interface Row {
  handle: string;
  /** None where there is no such product any more. */
  name: string | null;
  /** Whether it stands where it is put in order. */
  here: boolean;
}
/** Products in an order that is dragged or moved step by step. */
const value = defineModel<Row[]>({ required: true });
const props = defineProps<{ label: string; none: string; most: number }>();
const open = ref(false);
const absent = (one: Row): boolean => one.name === null || !one.here;
const nameOf = (one: Row): string => one.name ?? say("products-field-no-longer-there", { handle: one.handle });
/** Picking one that is picked takes it out. */
function pick({ handle, name }: Line): void {
  const others = value.value.filter((one) => one.handle !== handle);
  value.value = others.length < value.value.length ? others : [...others, { handle, name, here: true }];
}
function up(at: number): void {
  const all = [...value.value];
  const [one] = all.splice(at, 1);
  if (one) all.splice(at - 1, 0, one);
  value.value = all;
}
const remove = (at: number): void => void (value.value = value.value.filter((_, place) => place !== at));
</script>

<template>
  <div class="field" role="group" :aria-label="label">
    <span class="called" aria-hidden="true">{{ label }}</span>
    <VueDraggable v-model="value" tag="ol" handle=".grip" :animation="120">
      <li v-for="(one, at) in value" :key="one.handle">
        <v-icon class="grip" :icon="mdiDragVertical" size="18" aria-hidden="true" />
        <span class="name">
          <span class="short" :class="{ soft: absent(one) }">{{ nameOf(one) }}</span>
          <small v-if="one.name !== null && !one.here" class="signal">{{ say("products-in-order-not-here") }}</small>
        </span>
        <RowTools :name="nameOf(one)" :first="at === 0" @up="up(at)" @remove="remove(at)" />
      </li>
    </VueDraggable>
    <p v-if="value.length === 0" class="soft">{{ none }}</p>
    <SheetMenu v-if="value.length < props.most" v-model="open">
      <template #button="{ menu }">
        <button v-bind="menu" type="button" class="quiet" :aria-label="say('products-pick-add-product', { label })">
          <v-icon :icon="mdiPlus" size="14" /> {{ say("products-pick-add") }}
        </button>
      </template>
      <ProductList :load="anyProduct" :picked="value.map((one) => one.handle)" :label="label" @pick="pick" />
    </SheetMenu>
  </div>
</template>

<style scoped>
.field {
  justify-items: start;
}
ol {
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr) 24px 24px;
  gap: 6px;
  align-items: center;
  min-height: 30px;
}
.grip {
  color: var(--soft);
  cursor: grab;
}
.name {
  display: grid;
}
.short {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
button.quiet {
  margin-left: -6px;
}
p {
  margin: 0;
  font-size: 13px;
}
</style>
