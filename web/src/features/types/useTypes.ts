import type { Schemas } from "../../api/client";

export type Fields = Schemas["TypeFields"];
export type TemplateFor = Schemas["TemplateFor"];

/** The fields of a type of which nothing has been said yet, as most types have them. */
export function plainFields(): Fields {
  return {
    options: [],
    details: [],
    facts: [],
    tags: [],
    price_minor: 0,
    pictures: 4,
    counted: true,
    most_per_order: null,
    text: null,
  };
}

/** Whether types can be added to what a template serves: by name, or as a part of the rest. */
export function takesTypes(template: Schemas["TemplateView"]): boolean {
  return ["fallback", "types", "named"].includes(template.reach.rule);
}
