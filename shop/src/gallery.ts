import { markThumb } from "./show";

/** Thumbnails scroll the strip of pictures without moving the page; the one in view is marked. */
export function watchGalleries(): void {
  for (const gallery of document.querySelectorAll<HTMLElement>("[data-gallery]")) watch(gallery);
}

function watch(gallery: HTMLElement): void {
  const slides = gallery.querySelector<HTMLElement>(".slides");
  if (!slides) return;
  gallery.addEventListener("click", (event) => {
    const link = (event.target as Element).closest<HTMLAnchorElement>(".thumbs a");
    const picture = link?.closest<HTMLElement>("li")?.dataset.picture;
    const slide = slides.querySelector<HTMLElement>(`li[data-picture="${picture}"]`);
    if (!slide) return;
    event.preventDefault();
    const still = matchMedia("(prefers-reduced-motion: reduce)").matches;
    slides.scrollTo({ left: slide.offsetLeft - slides.offsetLeft, behavior: still ? "instant" : "smooth" });
  });
  const inView = new IntersectionObserver(
    (seen) => {
      const slide = seen.find((s) => s.isIntersecting)?.target as HTMLElement | undefined;
      if (slide) markThumb(gallery, Number(slide.dataset.picture));
    },
    { root: slides, threshold: 0.6 },
  );
  for (const slide of slides.children) inView.observe(slide);
}
