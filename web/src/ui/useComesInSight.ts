import type { Ref } from "vue";

/** Calls back whenever something comes into sight, and again as long as it stays there. */
export function useComesInSight(what: Ref<HTMLElement | null>, back: () => Promise<boolean>) {
  let inSight = false;
  let busy = false;
  async function go(): Promise<void> {
    if (busy) return;
    busy = true;
    while (inSight && (await back()));
    busy = false;
  }
  const observer = new IntersectionObserver(
    (entries) => {
      inSight = entries.at(-1)?.isIntersecting ?? false;
      void go();
    },
    { rootMargin: "600px" },
  );
  return {
    begin: () => what.value && observer.observe(what.value),
    end: () => observer.disconnect(),
    again: go,
  };
}
