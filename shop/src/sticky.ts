let observer: IntersectionObserver | undefined;
let watched: Element[] = [];
/** Those that are in sight, once that is known. */
let inSight: Set<Element> | undefined;

/** Shows the sticky buy bar while every buy button of the page is out of sight. May be called again on a changed page. */
export function watchSticky(): void {
  const bar = document.querySelector<HTMLElement>("[data-sticky]");
  const buttons = [...document.querySelectorAll(".k-buy-button .buy")];
  if (!bar || buttons.length === 0) return;
  const all = [bar, ...buttons];
  if (all.length === watched.length && all.every((one, place) => one === watched[place])) {
    if (inSight) bar.hidden = inSight.size > 0;
    return;
  }
  watched = all;
  inSight = undefined;
  observer?.disconnect();
  observer = new IntersectionObserver((seen) => {
    const now = (inSight ??= new Set());
    for (const one of seen) {
      if (one.isIntersecting) now.add(one.target);
      else now.delete(one.target);
    }
    bar.hidden = now.size > 0;
    // So much room is kept under the last lines and around what has the focus.
    if (!bar.hidden) document.documentElement.style.setProperty("--bar", `${bar.offsetHeight}px`);
  });
  for (const button of buttons) observer.observe(button);
}
