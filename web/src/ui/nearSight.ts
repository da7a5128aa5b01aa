import { whenIdle } from "./whenIdle";

/** What is in sight, and what is within a screen or two of it; told of many things by one observer each. */
const told = new WeakMap<Element, (near: boolean) => void>();
const inSight = new IntersectionObserver((entries) => {
  for (const { target, isIntersecting } of entries) if (isIntersecting) told.get(target)?.(true);
});
const nearSight = new IntersectionObserver(
  (entries) => entries.forEach(({ target, isIntersecting }) => told.get(target)?.(isIntersecting)),
  { rootMargin: "700px 0px" },
);

/** Tells of an element whether it is near sight, now and whenever that changes; gives the way to end it. What is in
 *  sight is told at once, the rest of what is near it once there is time. */
export function watchNear(element: Element, tell: (near: boolean) => void): () => void {
  told.set(element, tell);
  inSight.observe(element);
  void whenIdle().then(() => {
    inSight.unobserve(element);
    if (told.has(element)) nearSight.observe(element);
  });
  return () => {
    told.delete(element);
    inSight.unobserve(element);
    nearSight.unobserve(element);
  };
}
