import { type Answer, api, ask } from "../../api/client";
import type { Lines } from "./ProductList.vue";

/** Every product of the shop, by its name, its type or its address. */
export function anyProduct(find: string, skip: number): Promise<Answer<Lines>> {
  return ask(api.GET("/api/products", { params: { query: { find, skip } } }));
}
