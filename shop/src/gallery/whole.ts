import type { Behaviour } from "./index";

/** Fills the whole screen with the gallery's pictures: pinch, swipe, keys. The library is loaded only when it is wanted. */
export async function openWhole(
  gallery: HTMLElement,
  behaviour: Behaviour,
  picture: number,
  closed: (picture: number) => void,
): Promise<void> {
  const slides = [...gallery.querySelectorAll<HTMLElement>(".slide:not([hidden])")];
  const { default: PhotoSwipe } = await import("photoswipe");
  const [close, zoom, back, on, broken] = (gallery.dataset.wholeWords ?? "").split("|");
  const whole = new PhotoSwipe({
    dataSource: slides.map(itemOf),
    index: Math.max(
      0,
      slides.findIndex((slide) => Number(slide.dataset.picture) === picture),
    ),
    loop: behaviour.circles,
    bgOpacity: 0.97,
    showHideAnimationType: matchMedia("(prefers-reduced-motion: reduce)").matches ? "none" : "fade",
    closeTitle: close ?? "",
    zoomTitle: zoom ?? "",
    arrowPrevTitle: back ?? "",
    arrowNextTitle: on ?? "",
    errorMsg: broken ?? "",
  });
  if (behaviour.caption) {
    whole.on("uiRegister", () => {
      whole.ui?.registerElement({
        name: "words",
        className: "pswp-words",
        appendTo: "root",
        onInit: (element) => {
          whole.on("change", () => {
            element.textContent = wordsOf(slides[whole.currIndex]);
            element.hidden = element.textContent === "";
          });
        },
      });
    });
  }
  whole.on("close", () => closed(Number(slides[whole.currIndex]?.dataset.picture)));
  whole.init();
}

function itemOf(slide: HTMLElement): Record<string, unknown> {
  const film = slide.querySelector("video");
  if (film) {
    const copy = film.cloneNode(true) as HTMLVideoElement;
    copy.controls = true;
    return { html: copy.outerHTML };
  }
  const { large, width, height } = slide.dataset;
  const image = slide.querySelector("img");
  return { src: large, width: Number(width), height: Number(height), alt: image?.alt, msrc: image?.currentSrc };
}

function wordsOf(slide: HTMLElement | undefined): string {
  const shown = slide?.querySelector("img, video");
  return shown?.getAttribute("alt") ?? shown?.getAttribute("aria-label") ?? "";
}
