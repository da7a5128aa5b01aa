import { computed, onUnmounted, ref, shallowRef } from "vue";
import { type ApiError, type Schemas, eachLine } from "../../api/client";

type Part = Schemas["ImpactPart"];
type Impact = Schemas["Impact"];
export type Page = Schemas["ChangedPage"];
export type Gap = Schemas["Gap"];

/** Pages that change in the same way. */
export interface Way {
  number: number;
  impact: Impact;
  pages: Page[];
}

/** Which pages publishing a draft changes, and how: told while they are found. */
export function useImpact(id: () => number) {
  const ways = shallowRef<Way[]>([]);
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
    const { error } = await eachLine<Part>(`/api/templates/${id()}/impact`, mine.signal, (part) => {
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

  /** The worst first: what lacks something, then what concerns most pages. */
  const sorted = computed(() =>
    [...ways.value].sort((a, b) => b.impact.lacks.length - a.impact.lacks.length || b.pages.length - a.pages.length),
  );
  const count = computed(() => ways.value.reduce((sum, way) => sum + way.pages.length, 0));

  return { ways: sorted, count, done, of, busy, stopped, problem, search, halt };
}

const LACKS: Record<Gap["lack"], string> = {
  buy_button: "no buy button",
  options: "no way to choose a variant",
  price: "no price",
  title: "no title",
  pictures: "no pictures",
};
/** What a page lacks, in words; on both screens it is said once. */
export function lackWords(gaps: Gap[]): string[] {
  const lacks = [...new Set(gaps.map((gap) => gap.lack))];
  return lacks.map((lack) => {
    const screens = gaps.filter((gap) => gap.lack === lack).map((gap) => gap.screen);
    if (screens.length > 1) return LACKS[lack];
    return `${LACKS[lack]} on ${screens[0] === "phone" ? "phones" : "wide screens"}`;
  });
}
