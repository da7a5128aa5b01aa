<script setup lang="ts">
import { computed } from "vue";
import { useProductSearch } from "./useProductSearch";
import type { CartMood, Visit } from "./useVisit";

/** How many pieces are looked at, and what lies in the cart meanwhile. */
const props = defineProps<{ visit: Visit }>();
const { quantity, cart, cartProduct, cartPieces } = props.visit;
const picked = computed(() => (cartProduct.value ? [cartProduct.value] : []));
const { typed, found, problem } = useProductSearch(picked);
const CART: [CartMood, string][] = [
  ["empty", "empty"],
  ["this", "holds this"],
  ["other", "holds something else"],
];
const said = computed(() => {
  const what = CART.find(([key]) => key === cart.value)?.[1] ?? "";
  const named = found.value.find((one) => one.handle === cartProduct.value)?.name;
  const holds = cart.value === "other" && named ? `holds ${named}` : what;
  return cart.value !== "empty" && cartPieces.value > 1 ? `${holds}, ${cartPieces.value}` : holds;
});
</script>

<template>
  <v-menu :close-on-content-click="false">
    <template #activator="{ props: menu }">
      <button v-bind="menu" class="part" :aria-label="`Cart: ${said}`">
        Cart <b>{{ said }}</b>
      </button>
    </template>
    <div class="menu-sheet" role="group" aria-label="Cart">
      <label v-for="[key, words] in CART" :key="key">
        <input v-model="cart" type="radio" name="cart-of-the-visit" :value="key" /> {{ words }}
      </label>
      <v-autocomplete
        v-if="cart === 'other'"
        v-model:search="typed"
        :model-value="cartProduct || null"
        :items="found"
        item-value="handle"
        item-title="name"
        label="Which, if it matters"
        no-filter
        clearable
        hide-details="auto"
        :error-messages="problem?.message"
        @update:model-value="(to: string | null) => (cartProduct = to ?? '')"
      />
      <label v-if="cart !== 'empty'">
        <input v-model.number="cartPieces" type="number" min="1" max="99" aria-label="Pieces in the cart" />
        {{ cartPieces === 1 ? "piece" : "pieces" }} of it
      </label>
    </div>
  </v-menu>
  <label class="part" title="Quantity">
    Quantity
    <input v-model.number="quantity" type="number" min="1" max="99" />
  </label>
</template>

<style scoped>
.part input {
  width: 26px;
  border-bottom: 1px dotted var(--ink);
  color: var(--ink);
  font-weight: 600;
}
.menu-sheet {
  width: 260px;
}
.menu-sheet label {
  display: flex;
  gap: 8px;
  align-items: center;
}
.menu-sheet input[type="radio"] {
  accent-color: var(--accent);
}
.menu-sheet input[type="number"] {
  width: 56px;
}
</style>
