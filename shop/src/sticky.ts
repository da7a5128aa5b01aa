let observer: IntersectionObserver | undefined;

/** Shows the sticky buy bar while every buy button of the page is out of sight. May be called again on a changed page. */
export function watchSticky(): void {
  const bar = document.querySelector<HTMLElement>("[data-sticky]");
  const buttons = document.querySelectorAll(".k-buy-button .buy");
  if (!bar || buttons.length === 0) return;
  const inSight = new Set<Element>();
  observer?.disconnect();
  observer = new IntersectionObserver((seen) => {
    for (const one of seen) {
      if (one.isIntersecting) inSight.add(one.target);
      else inSight.delete(one.target);
    }
    bar.hidden = inSight.size > 0;
    // So much room is kept under the last lines and around what has the focus.
    if (!bar.hidden) document.documentElement.style.setProperty("--bar", `${bar.offsetHeight}px`);
  });
  for (const button of buttons) observer.observe(button);
}
