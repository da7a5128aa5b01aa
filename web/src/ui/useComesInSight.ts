import type { Ref } from "vue";

/** Calls back whenever something comes into sight, and again as long as it stays there. */
export function useComesInSight(what: Ref<HTMLElement | null>, back: () => Promise<boolean>) {
  let busy = false;
  /** Whether it was looked for while it was busy. */
  let missed = false;
  const observer = new IntersectionObserver((entries) => void (entries.at(-1)?.isIntersecting && go()), {
    rootMargin: "600px",
  });
  async function go(): Promise<void> {
    missed = busy;
    if (busy) return;
    busy = true;
    const more = await back();
    busy = false;
    if (more || missed) look();
  }
  /** Whether it is in sight now; what was told of it last may lie before what has moved it away. */
  function look(): void {
    if (!what.value) return;
    observer.unobserve(what.value);
    observer.observe(what.value);
  }
  return { begin: look, end: () => observer.disconnect(), again: look };
}
