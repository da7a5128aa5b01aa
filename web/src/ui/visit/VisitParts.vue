<script setup lang="ts">
import { computed, ref } from "vue";
import SheetMenu from "../menu/SheetMenu.vue";
import ProductPick from "../products/ProductPick.vue";
import type { CartMood, Visit } from "./useVisit";
import NumberInput from "../fields/NumberInput.vue";
import RadioBox from "../fields/RadioBox.vue";
import { say } from "../../words";

/** How many pieces are looked at, and what lies in the cart meanwhile. */
const props = defineProps<{ visit: Visit }>();
const { quantity, cart, cartProduct, cartPieces } = props.visit;
const CART: [CartMood, string][] = [
  ["empty", say("visit-parts-empty")],
  ["this", say("visit-parts-holds")],
  ["other", say("visit-parts-holds-something-else")],
];
const called = ref("");
const other = computed({ get: () => cartProduct.value || null, set: (to) => (cartProduct.value = to ?? "") });
const said = computed(() => {
  const what = CART.find(([key]) => key === cart.value)?.[1] ?? "";
  const holds =
    cart.value === "other" && cartProduct.value
      ? say("visit-parts-holds-b", { called: called.value || cartProduct.value })
      : what;
  return cart.value !== "empty" && cartPieces.value > 1 ? `${holds}, ${cartPieces.value}` : holds;
});
</script>

<template>
  <SheetMenu :label="say('visit-parts-cart-b')">
    <template #button="{ menu }">
      <button v-bind="menu" class="part" :aria-label="say('visit-parts-cart', { said })">
        {{ say("visit-parts-cart-b") }} <b>{{ said }}</b>
      </button>
    </template>
    <label v-for="[key, words] in CART" :key="key">
      <RadioBox v-model="cart" name="cart-of-the-visit" :value="key" /> {{ words }}
    </label>
    <ProductPick
      v-if="cart === 'other'"
      v-model="other"
      :label="say('visit-parts-which-if-matters')"
      :named="[]"
      :none="say('visit-parts-anything')"
      @named="(name) => (called = name)"
    />
    <label v-if="cart !== 'empty'">
      <NumberInput v-model="cartPieces" :least="1" :most="99" :aria-label="say('visit-parts-pieces-cart')" />
      {{ say("visit-parts-pieces", { cartPieces }) }}
    </label>
  </SheetMenu>
  <label class="part" :title="say('visit-parts-quantity')">
    {{ say("visit-parts-quantity") }}
    <NumberInput v-model="quantity" bare :least="1" :most="99" />
  </label>
</template>

<style scoped>
.part input {
  width: 26px;
  border-bottom: 1px dotted var(--ink);
  color: var(--ink);
  font-weight: 600;
}
label:not(.part) {
  display: flex;
  gap: 8px;
  align-items: center;
}
[role="spinbutton"] {
  width: 56px;
}
</style>
