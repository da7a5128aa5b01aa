<script setup lang="ts">
import { computed } from "vue";
import { useDraftFields } from "../../session/useDraftField";
import LongText from "../../ui/fields/LongText.vue";
import PickField from "../../ui/fields/PickField.vue";
import ProductsInOrder from "../../ui/products/ProductsInOrder.vue";
import TypedInput from "../../ui/TypedInput.vue";
import { say } from "../../words";
import type { ListingView, ListingsControl, Order } from "./useListings";

/** What is made of one listing. */
const props = defineProps<{ listing: ListingView; called: string; control: ListingsControl }>();
const MOST_FIRST = 48;
const ORDERS: { value: Order; says: string }[] = [
  { value: "arranged", says: say("listing-form-order-arranged") },
  { value: "newest", says: say("listing-form-order-newest") },
  { value: "cheapest", says: say("listing-form-order-cheapest") },
  { value: "dearest", says: say("listing-form-order-dearest") },
  { value: "name", says: say("listing-form-order-name") },
  { value: "rating", says: say("listing-form-order-rating") },
];
const fields = useDraftFields(
  () => props.listing.of,
  () => ({ words: props.listing.words }),
);
const { typed } = fields;
const keepWords = (): void => void fields.keep("words", (text) => props.control.words(props.listing.of, text.trim()));
const order = computed({
  get: () => props.listing.order,
  set: (wanted) => void props.control.order(props.listing.of, wanted),
});
const first = computed({
  get: () => props.listing.first.map((one) => ({ handle: one.product, name: one.name ?? null, here: one.here })),
  set: (all) =>
    void props.control.first(
      props.listing.of,
      all.map(({ handle, name, here }) => ({ product: handle, name, here })),
    ),
});
</script>

<template>
  <section class="form" :aria-label="called">
    <div class="heading">
      <h2>{{ called }}</h2>
      <a :href="listing.path" target="_blank" rel="noopener">{{ say("listing-form-in-shop") }}</a>
    </div>
    <label class="field">
      <span class="called">{{ say("listing-form-title") }}</span>
      <TypedInput
        :value="listing.title"
        :of="listing.of"
        :keep="(text) => control.title(listing.of, text)"
        :placeholder="called"
        maxlength="120"
      />
    </label>
    <label class="field">
      <span class="called">{{ say("listing-form-words-above") }}</span>
      <LongText v-model="typed.words" rows="4" maxlength="4000" spellcheck="true" @change="keepWords" />
    </label>
    <PickField v-model="order" :options="ORDERS" :label="say('listing-form-order')" />
    <p v-if="listing.what === 'all'" class="soft">{{ say("listing-form-front-page") }}</p>
    <ProductsInOrder
      v-model="first"
      :label="say('listing-form-first')"
      :none="say('listing-form-none-first')"
      :most="MOST_FIRST"
    />
    <p v-if="listing.first.length > 0" class="soft">{{ say("listing-form-until-another-order") }}</p>
  </section>
</template>

<style scoped>
.form {
  display: grid;
  gap: 14px;
  align-content: start;
  padding: 14px 16px 24px;
  overflow-y: auto;
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
.heading {
  display: flex;
  gap: 10px;
  align-items: baseline;
  justify-content: space-between;
}
h2 {
  overflow-wrap: anywhere;
}
a {
  flex: none;
  font-size: 13px;
}
p {
  margin: -6px 0 0;
  font-size: 13px;
}
</style>
