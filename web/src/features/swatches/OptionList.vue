<script setup lang="ts">
import SwatchDot from "../../ui/SwatchDot.vue";
import type { OptionLine } from "./useBook";
import { WAYS } from "./words";
import TextInput from "../../ui/fields/TextInput.vue";
import { useNewName } from "../../ui/useNewName";
import { say } from "../../words";

/** Every option of the shop: how it is chosen, and what is still to be settled. */
const props = defineProps<{
  lines: OptionLine[];
  open: string | undefined;
  make: (name: string) => Promise<boolean>;
}>();
defineEmits<{ palette: [] }>();
const { name, add } = useNewName((wanted) => props.make(wanted));
const way = (line: OptionLine): string => WAYS.find((one) => one.value === line.page)?.says ?? "";
</script>

<template>
  <nav class="options" :aria-label="say('option-list-options')">
    <div class="head">
      <h1>{{ say("option-list-swatch-book") }}</h1>
    </div>
    <div class="head ways">
      <slot />
      <button class="quiet" @click="$emit('palette')">{{ say("option-list-palette") }}</button>
    </div>
    <router-link
      v-for="line in lines"
      :key="line.handle"
      :to="{ name: 'swatch-book', params: { handle: line.handle } }"
      class="line"
      :class="{ chosen: line.handle === open }"
    >
      <span class="name">
        <b>{{ line.name }}</b>
        <span v-if="line.of_product" class="soft">{{ say("option-list-one-product") }}</span>
        <span v-else class="soft">{{ say("option-list-products", { products: line.products }) }}</span>
      </span>
      <span class="name">
        <span class="soft">{{ say("option-list-values", { line: way(line), values: line.values }) }}</span>
        <span v-if="line.open" class="signal">{{ say("option-list-settle", { open: line.open }) }}</span>
      </span>
      <span v-if="line.page === 'swatches'" class="fan">
        <SwatchDot v-for="(swatch, index) in line.fan" :key="index" :swatch="swatch" :size="14" />
      </span>
    </router-link>
    <form class="new" @submit.prevent="add">
      <TextInput
        v-model="name"
        :aria-label="say('option-list-name-new-option')"
        :placeholder="say('option-list-new-option')"
        maxlength="80"
      />
      <button v-if="name.trim()" class="quiet">{{ say("option-list-add") }}</button>
    </form>
  </nav>
</template>

<style scoped>
.options {
  padding: 10px 0;
  overflow-y: auto;
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
.ways {
  padding-block: 0 8px;
  margin-left: -6px;
}
.head {
  display: flex;
  justify-content: space-between;
  padding: 4px 14px 8px;
}
.line {
  display: grid;
  gap: 1px;
  padding: 7px 14px 8px 11px;
  border-left: 3px solid transparent;
  color: inherit;
  text-decoration: none;
}
.line:hover {
  background: var(--paper);
}
.chosen {
  border-left-color: var(--accent);
  background: var(--accent-weak) !important;
}
.chosen .signal {
  color: var(--signal);
}
.name {
  display: flex;
  gap: 8px;
  justify-content: space-between;
}
.name b {
  overflow: hidden;
  text-overflow: ellipsis;
}
.new {
  display: flex;
  gap: 6px;
  padding: 10px 14px;
}
.new input {
  width: 150px;
}
.fan {
  display: flex;
  gap: 3px;
  margin-top: 4px;
}
@media (max-width: 900px) {
  .options {
    border-right: 0;
    border-bottom: 1px solid var(--line);
  }
}
</style>
