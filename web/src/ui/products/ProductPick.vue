<script setup lang="ts">
import { mdiClose, mdiMenuDown } from "@mdi/js";
import { computed, ref } from "vue";
import SheetMenu from "../menu/SheetMenu.vue";
import ProductList, { type Line } from "./ProductList.vue";
import { anyProduct } from "./anyProduct";

/** One product of the shop, or none where that is called something. */
const value = defineModel<string | null>({ required: true });
const props = defineProps<{
  label: string;
  /** Names of products that may be picked already. */
  named: { handle: string; name: string }[];
  /** What it is called that none is picked; without it there is always one. */
  none?: string;
}>();
const emit = defineEmits<{ named: [name: string] }>();
const met = ref<Line[]>([]);
const open = ref(false);
const name = computed(() => {
  if (value.value === null || value.value === "") return props.none ?? "";
  const all = [...met.value, ...props.named];
  return all.find((one) => one.handle === value.value)?.name ?? value.value;
});
function pick(one: Line): void {
  met.value.push(one);
  value.value = one.handle;
  emit("named", one.name);
  open.value = false;
}
</script>

<template>
  <div class="field">
    <span class="called" aria-hidden="true">{{ label }}</span>
    <span class="one">
      <SheetMenu v-model="open">
        <template #button="{ menu }">
          <button v-bind="menu" type="button" class="control" :aria-label="`${label}: ${name}`">
            <span>{{ name }}</span>
            <v-icon :icon="mdiMenuDown" size="16" />
          </button>
        </template>
        <ProductList :load="anyProduct" :picked="value ? [value] : []" :label="label" @pick="pick" />
      </SheetMenu>
      <button v-if="none && value" type="button" class="tool" :aria-label="`${label}: ${none}`" @click="value = null">
        <v-icon :icon="mdiClose" size="14" />
      </button>
    </span>
  </div>
</template>

<style scoped>
.one {
  display: flex;
  gap: 2px;
  min-width: 0;
}
.control {
  display: flex;
  gap: 4px;
  align-items: center;
  max-width: 220px;
  text-align: left;
}
.control span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
