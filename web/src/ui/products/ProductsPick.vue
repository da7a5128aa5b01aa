<script setup lang="ts">
import { mdiClose, mdiPlus } from "@mdi/js";
import { computed, ref } from "vue";
import SheetMenu from "../menu/SheetMenu.vue";
import ProductList, { type Line } from "./ProductList.vue";
import { anyProduct } from "./anyProduct";
import { say } from "../../words";

/** Several products of the shop, each with a way to leave it out again. */
const value = defineModel<string[]>({ required: true });
const props = defineProps<{
  label: string;
  named: { handle: string; name: string }[];
  /** What it means that none is picked. */
  none?: string;
}>();
const met = ref<Line[]>([]);
const open = ref(false);
const names = computed(() => new Map([...props.named, ...met.value].map((one) => [one.handle, one.name])));
const nameOf = (handle: string): string => names.value.get(handle) ?? handle;
/** Picking one that is picked leaves it out. */
function pick(one: Line): void {
  met.value.push(one);
  const others = value.value.filter((handle) => handle !== one.handle);
  value.value = others.length < value.value.length ? others : [...others, one.handle];
}
</script>

<template>
  <div class="field" role="group" :aria-label="label">
    <span class="called" aria-hidden="true">{{ label }}</span>
    <ul>
      <li v-for="handle in value" :key="handle" class="chip">
        {{ nameOf(handle) }}
        <button
          type="button"
          :aria-label="say('products-pick-leave-out', { handle: nameOf(handle) })"
          @click="value = value.filter((one) => one !== handle)"
        >
          <v-icon :icon="mdiClose" size="13" />
        </button>
      </li>
      <li v-if="value.length === 0 && none" class="soft">{{ none }}</li>
      <li>
        <SheetMenu v-model="open">
          <template #button="{ menu }">
            <button v-bind="menu" type="button" class="quiet" :aria-label="say('products-pick-add-product', { label })">
              <v-icon :icon="mdiPlus" size="14" /> {{ say("products-pick-add") }}
            </button>
          </template>
          <ProductList :load="anyProduct" :picked="value" :label="label" @pick="pick" />
        </SheetMenu>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  align-items: center;
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
