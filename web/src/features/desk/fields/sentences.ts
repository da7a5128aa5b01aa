import type { Schemas } from "../../../api/client";
import type { Rule } from "../types";

interface Known {
  types: Schemas["ProductType"][];
  tags: string[];
}

/** What can be asked of a product, a cart or a day, and how such a sentence begins. */
export const SENTENCES: { is: Rule["is"]; words: string; not: string; begin: (known: Known) => Rule }[] = [
  {
    is: "on_sale",
    words: "the product is on sale",
    not: "the product isn't on sale",
    begin: () => ({ is: "on_sale" }),
  },
  { is: "sold_out", words: "it is sold out", not: "it can be had", begin: () => ({ is: "sold_out" }) },
  { is: "coming_soon", words: "it is coming soon", not: "it isn't coming soon", begin: () => ({ is: "coming_soon" }) },
  { is: "has_options", words: "it has options", not: "it has no options", begin: () => ({ is: "has_options" }) },
  { is: "has_reviews", words: "it has reviews", not: "it has no reviews", begin: () => ({ is: "has_reviews" }) },
  {
    is: "pictures_over",
    words: "it has more pictures than",
    not: "it has at most so many pictures:",
    begin: () => ({ is: "pictures_over", count: 1 }),
  },
  {
    is: "stock_under",
    words: "its stock is under",
    not: "its stock is at least",
    begin: () => ({ is: "stock_under", count: 5 }),
  },
  {
    is: "type",
    words: "its type is",
    not: "its type isn't",
    begin: ({ types }) => ({ is: "type", handle: types[0]?.handle ?? "any" }),
  },
  {
    is: "tagged",
    words: "it is tagged",
    not: "it isn't tagged",
    begin: ({ tags }) => ({ is: "tagged", tag: tags[0] ?? "new" }),
  },
  {
    is: "price_over",
    words: "its price is over",
    not: "its price is at most",
    begin: () => ({ is: "price_over", minor: 5000 }),
  },
  {
    is: "between",
    words: "the day lies between",
    not: "the day lies outside",
    begin: () => ({ is: "between", from: null, to: null }),
  },
  {
    is: "cart_holds",
    words: "the cart holds something",
    not: "the cart is empty",
    begin: () => ({ is: "cart_holds" }),
  },
  {
    is: "cart_holds_this",
    words: "the cart holds this product",
    not: "this product isn't in the cart",
    begin: () => ({ is: "cart_holds_this" }),
  },
];

/** The opposite of a sentence. */
export function turned(rule: Rule): Rule {
  return rule.is === "not" ? rule.of : { is: "not", of: rule };
}
