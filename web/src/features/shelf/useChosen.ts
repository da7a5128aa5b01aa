import { computed, ref } from "vue";

/** Products that are chosen on the shelf, to do something with all of them. */
export function useChosen() {
  const chosen = ref<string[]>([]);
  let last = "";

  /** Chooses one, or lets it go; with a range all from the last one up to it, as they stand. */
  function choose(handle: string, on: boolean, range: boolean, standing: string[]): void {
    const [from, to] = [standing.indexOf(last), standing.indexOf(handle)];
    const meant = range && from >= 0 && to >= 0 ? standing.slice(Math.min(from, to), Math.max(from, to) + 1) : [handle];
    const others = chosen.value.filter((one) => !meant.includes(one));
    chosen.value = on ? [...others, ...meant] : others;
    last = handle;
  }
  /** In the order in which they stand; those that stand elsewhere behind. */
  function inOrder(standing: string[]): string[] {
    const place = (handle: string): number => (standing.indexOf(handle) + 1 || Infinity) - 1;
    return [...chosen.value].sort((a, b) => place(a) - place(b) || 0);
  }
  const none = (): void => void (chosen.value = []);
  return { chosen, some: computed(() => chosen.value.length > 0), choose, inOrder, none };
}
/** What a card needs to know of it. */
export interface ShelfChoice {
  has: (handle: string) => boolean;
  choose: (handle: string, on: boolean, range: boolean) => void;
}
