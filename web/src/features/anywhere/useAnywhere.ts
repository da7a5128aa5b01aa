import { computed, ref, shallowRef, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import { VIEWS, viewsOfProduct } from "../../ui/places";
import { say } from "../../words";

export interface Goal {
  name: string;
  note: string;
  to: string;
}

/** Where one can go whose name begins as what is typed: views of the application, and what the shop has. */
export function useAnywhere() {
  const typed = ref("");
  const found = shallowRef<Schemas["Found"][]>([]);
  const problem = shallowRef<ApiError | null>(null);

  watch(typed, async (words) => {
    if (words.trim() === "") {
      found.value = [];
      return;
    }
    const { data, error } = await ask(api.GET("/api/find", { params: { query: { words } } }));
    // An answer about what was typed before is no answer.
    if (words !== typed.value) return;
    problem.value = error ?? null;
    if (data) found.value = data;
  });

  const goals = computed((): Goal[] => {
    const words = typed.value.trim().toLowerCase();
    const begins = (name: string): boolean => ` ${name.toLowerCase()}`.includes(` ${words}`);
    const views = VIEWS.filter((one) => begins(one.name)).map((one) => ({ ...one, note: "view" }));
    if (words === "") return views;
    const things = found.value.flatMap(goalsOf);
    // Few products are meant: their views are offered too.
    const products = found.value.filter((one) => one.what === "product");
    const more = products.length > 2 ? [] : products.flatMap((one) => viewsOf(one.handle, one.name));
    return [...views, ...things, ...more];
  });
  return { typed, goals, problem };
}

function viewsOf(handle: string, name: string): Goal[] {
  return viewsOfProduct(handle).map((view) => ({ name: `${name}: ${view.name.toLowerCase()}`, note: "", to: view.to }));
}

function goalsOf(one: Schemas["Found"]): Goal[] {
  if (one.what === "template") return [{ name: one.name, note: "template", to: `/templates/${one.id}` }];
  if (one.what === "option") return [{ name: one.name, note: "option", to: `/swatch-book/${one.handle}` }];
  if (one.what === "rule") return [{ name: one.name, note: say("anywhere-price-rule"), to: `/prices?rule=${one.id}` }];
  // A product that no template serves has no page yet.
  if (one.template == null) return viewsOf(one.handle, one.name).slice(0, 1);
  const product = encodeURIComponent(one.handle);
  return [{ name: one.name, note: one.kind, to: `/templates/${one.template}?product=${product}` }];
}
