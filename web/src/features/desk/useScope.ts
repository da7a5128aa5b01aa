import { computed, watch } from "vue";
import type { Schemas } from "../../api/client";
import { useDesk } from "./deskStore";
import { type Level, type Target, sameTarget } from "./types";
import { say } from "../../words";

type Whom = Schemas["Whom"];
type Departure = Schemas["Departure"];

export function sameWhom(a: Whom, b: Whom): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** For whom a value counts that is set on the desk: all that the template serves, the type of the product that is looked
 * at, or this product alone. */
export function useScope() {
  const desk = useDesk();
  const product = computed(() => desk.product);
  const kind = computed(() => desk.view?.types.find((t) => t.handle === product.value?.kind) ?? null);
  const departs = (type: string): boolean =>
    (desk.draft?.layout.departures ?? []).some(({ whom }) => "type" in whom && whom.type === type);
  const levels = computed(() => {
    const all: { level: Level; name: string; whom: Whom | null }[] = [
      { level: "template", name: say("scope-all-products"), whom: null },
    ];
    // Where all that it serves are of one type, or it serves one product alone, it makes no difference.
    if (kind.value && ((desk.view?.serves_types ?? 0) > 1 || departs(kind.value.handle)))
      all.push({ level: "type", name: kind.value.name, whom: { type: kind.value.handle } });
    if (product.value && !product.value.sample && (desk.view?.serves ?? 0) > 1)
      all.push({ level: "product", name: product.value.name, whom: { product: product.value.handle } });
    return all;
  });
  const now = computed(() => levels.value.find((l) => l.level === desk.scope) ?? null);
  const whom = computed(() => now.value?.whom ?? null);

  /** What the product on the desk, its type, or anybody keeps of a piece or band. */
  function keptOf(target: Target): Departure[] {
    return (desk.draft?.layout.departures ?? []).filter((one) => sameTarget(one.target, target));
  }
  function bearsHere(one: Departure): boolean {
    return levels.value.some((level) => level.whom !== null && sameWhom(level.whom, one.whom));
  }
  function nameOf(one: Whom): string {
    if ("type" in one) return desk.view?.types.find((t) => t.handle === one.type)?.name ?? one.type;
    const named = [...(desk.product ? [desk.product] : []), ...(desk.view?.named ?? [])];
    return named.find((p) => p.handle === one.product)?.name ?? one.product;
  }

  return { product, kind, levels, now, whom, keptOf, bearsHere, nameOf };
}

/** What was meant for one product doesn't go on to the next; what was meant for a type ends with it. */
export function useScopeEnds(): void {
  const desk = useDesk();
  const { product, kind } = useScope();
  watch(
    () => [product.value?.handle, kind.value?.handle] as const,
    ([handle, type], [before, typeBefore]) => {
      if (desk.scope === "product" && handle !== before) desk.scope = "template";
      if (desk.scope === "type" && type !== typeBefore) desk.scope = "template";
    },
  );
}
