import { computed, onUnmounted, ref, shallowRef, watch } from "vue";
import { type ApiError, type Schemas, eachLine } from "../../api/client";
import type { Visit } from "../../ui/visit/useVisit";
import { say } from "../../words";

export type Page = Schemas["ChangedPage"];

/** Pages that change in the same way, and the way in sentences. */
export interface Way<W> {
  number: number;
  impact: W;
  pages: Page[];
}
/** The same for eyes. */
export interface WayTold {
  number: number;
  says: string[];
  mend: string[];
  pages: Page[];
}

interface Part<W> {
  done: number;
  of: number;
  ways: W[];
  pages: Page[];
}

/** Which pages something changes that isn't published yet, and how: told while they are found; anew under another visit,
 * where they are compared as they are drawn. */
export function useImpact<W>(
  address: () => string,
  faults: (way: W) => number,
  { visit, cards }: { visit?: Visit; cards?: () => boolean } = {},
) {
  const ways = shallowRef<Way<W>[]>([]);
  const done = ref(0);
  const of = ref(0);
  const busy = ref(false);
  const stopped = ref(false);
  const problem = ref<ApiError | null>(null);
  let stop = new AbortController();

  async function search(): Promise<void> {
    stop.abort();
    stop = new AbortController();
    const mine = stop;
    [ways.value, done.value, of.value, busy.value, stopped.value, problem.value] = [[], 0, 0, true, false, null];
    const { error } = await eachLine<Part<W>>(under(address(), visit?.query.value ?? {}), mine.signal, (part) => {
      if (mine !== stop || mine.signal.aborted) return;
      const all = [
        ...ways.value,
        ...part.ways.map((impact, i) => ({ number: ways.value.length + i, impact, pages: [] })),
      ];
      const more = new Map<number, Page[]>();
      for (const page of part.pages) more.set(page.way, [...(more.get(page.way) ?? []), page]);
      ways.value = all.map((way) => ({ ...way, pages: [...way.pages, ...(more.get(way.number) ?? [])] }));
      [done.value, of.value] = [part.done, part.of];
    });
    if (mine !== stop) return;
    busy.value = false;
    problem.value = error ?? null;
  }
  function halt(): void {
    stop.abort();
    stopped.value = true;
    busy.value = false;
  }
  onUnmounted(() => stop.abort());
  if (visit) watch(visit.query, search);

  /** The worst first: what is to be mended then, after that what concerns most pages. */
  const sorted = computed(() =>
    [...ways.value].sort((a, b) => faults(b.impact) - faults(a.impact) || b.pages.length - a.pages.length),
  );
  const count = computed(() => ways.value.reduce((sum, way) => sum + way.pages.length, 0));
  const says = computed(() => {
    if (busy.value && done.value === 0) return say("impact-comparing");
    const some = cards?.()
      ? say("impact-cards-change", { count: count.value })
      : say("impact-pages-change", { count: count.value });
    const searched =
      busy.value || stopped.value
        ? say("impact-so-far-compared", { done: done.value, of: of.value })
        : say("impact-of", { of: of.value });
    return some + searched;
  });

  return { ways: sorted, count, says, done, of, busy, stopped, problem, search, halt };
}
export type ImpactControl = Omit<ReturnType<typeof useImpact>, "ways">;

/** An address with more in its query. */
export function under(address: string, more: Record<string, string | number>): string {
  const query = new URLSearchParams(Object.entries(more).map(([key, value]) => [key, String(value)]));
  return `${address}${address.includes("?") ? "&" : "?"}${query.toString()}`;
}
