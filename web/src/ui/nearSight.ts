/** What is within a screen or two of sight; told of many things by one observer. */
const told = new WeakMap<Element, (near: boolean) => void>();
const observer = new IntersectionObserver(
  (entries) => entries.forEach(({ target, isIntersecting }) => told.get(target)?.(isIntersecting)),
  { rootMargin: "700px 0px" },
);

/** Tells of an element whether it is near sight, now and whenever that changes; gives the way to end it. */
export function watchNear(element: Element, tell: (near: boolean) => void): () => void {
  told.set(element, tell);
  observer.observe(element);
  return () => observer.unobserve(element);
}
