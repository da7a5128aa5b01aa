import { type Answer, type Schemas, api, ask } from "../../api/client";

export type SellingForm = Schemas["SellingForm"];
export type ProductState = SellingForm["state"];

/** How a product is sold, without what is only told about it. */
export function sellingOf(view: SellingForm): SellingForm {
  const { state, price, old_price, most_per_order, least, step, text } = JSON.parse(
    JSON.stringify(view),
  ) as SellingForm;
  return { state, price, old_price, most_per_order, least, step, text };
}

/** Puts a product on sale, announces it or takes it off sale; all else about how it is sold stays as it is. */
export async function putInState(handle: string, state: ProductState): Promise<Answer<Schemas["SellingView"]>> {
  const path = { params: { path: { handle } } };
  const now = await ask(api.GET("/api/products/{handle}/selling", path));
  if (!now.data) return now;
  const was = sellingOf(now.data);
  return ask(api.PUT("/api/products/{handle}/selling", { ...path, body: { was, selling: { ...was, state } } }));
}
