<script setup lang="ts">
import { computed, ref } from "vue";
import type { VariantsControl } from "./useVariants";
import TextInput from "../../ui/fields/TextInput.vue";
import PickField from "../../ui/fields/PickField.vue";
import { say } from "../../words";

/** Sets price, old price or stock of all chosen variants. */
const props = defineProps<{ control: VariantsControl }>();
const ids = computed(() => [...props.control.chosen.value]);
const field = ref<"price" | "old_price" | "stock" | "measure" | "picture">("stock");
const value = ref("");
const fields = [
  { value: "stock", title: say("set-many-stock") },
  { value: "price", title: say("set-many-price") },
  { value: "old_price", title: say("set-many-old-price") },
  { value: "measure", title: say("set-many-contents") },
  { value: "picture", title: say("set-many-picture") },
];
const pictures = computed(() => props.control.view.value?.pictures ?? []);
const setPicture = (id: number) => props.control.change(ids.value, { picture: id });
const empty = {
  stock: say("set-many-empty-not-counted"),
  price: say("set-many-empty-products"),
  old_price: say("set-many-empty-none"),
  measure: say("set-many-25-m-empty-none"),
};
async function set(): Promise<void> {
  if (await props.control.change(ids.value, { [field.value]: value.value })) value.value = "";
}
</script>

<template>
  <form class="many" @submit.prevent="set">
    <b>{{ say("set-many-chosen", { count: ids.length }) }}</b>
    <PickField v-model="field" :aria-label="say('set-many-what-set')">
      <option v-for="one in fields" :key="one.value" :value="one.value">{{ one.title }}</option>
    </PickField>
    <span v-if="field === 'picture'" class="pictures">
      <button
        v-for="one in pictures"
        :key="one.id"
        type="button"
        :title="one.name"
        :aria-label="say('set-many-picture-all-chosen', { name: one.name })"
        @click="setPicture(one.id)"
      >
        <img :src="one.small" alt="" />
      </button>
      <span v-if="pictures.length === 0" class="soft">{{ say("set-many-product-has-no-pictures") }}</span>
      <button v-else type="button" class="quiet" @click="setPicture(0)">
        {{ say("set-many-those-their-values") }}
      </button>
    </span>
    <template v-else>
      <TextInput v-model="value" :placeholder="empty[field]" :aria-label="say('set-many-value-all-chosen')" />
      <button class="quiet">{{ say("set-many-set-all", { count: ids.length }) }}</button>
    </template>
    <button type="button" class="quiet" @click="control.remove(ids)">{{ say("set-many-remove") }}</button>
  </form>
</template>

<style scoped>
.many {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
input {
  width: 150px;
}
.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
.pictures img {
  display: block;
  width: 30px;
  height: 30px;
  border-radius: 4px;
  object-fit: cover;
}
.pictures button:hover img {
  outline: 2px solid var(--accent);
}
</style>
