import { computed, ref } from "vue";
import type { Schemas } from "../../api/client";

export type CartMood = Schemas["CartMood"];

/** A visit as it is kept and sent; what is left out is one piece and an empty cart. */
interface Tried {
  quantity: number | null;
  cart: CartMood | null;
  cart_product: string | null;
  cart_pieces: number | null;
}

/** A visit that is tried: how many pieces, and what lies in the cart. */
export function useVisit() {
  const quantity = ref(1);
  const cart = ref<CartMood>("empty");
  /** What else the cart holds, by its handle; anything where it is empty. */
  const cartProduct = ref("");
  const cartPieces = ref(1);

  const query = computed(() => ({
    quantity: sound(quantity.value),
    cart: cart.value,
    ...(cart.value === "other" && cartProduct.value ? { cart_product: cartProduct.value } : {}),
    ...(cart.value === "empty" ? {} : { cart_pieces: sound(cartPieces.value) }),
  }));

  function take(to: Partial<Tried>): void {
    quantity.value = to.quantity ?? 1;
    cart.value = to.cart ?? "empty";
    cartProduct.value = to.cart_product ?? "";
    cartPieces.value = to.cart_pieces ?? 1;
  }

  return { quantity, cart, cartProduct, cartPieces, query, take };
}

/** A number of pieces as it is being typed may be nothing yet, or too much. */
function sound(typed: unknown): number {
  return typeof typed === "number" && Number.isInteger(typed) ? Math.min(99, Math.max(1, typed)) : 1;
}

export type Visit = ReturnType<typeof useVisit>;
