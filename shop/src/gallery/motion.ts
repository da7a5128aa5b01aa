import EmblaCarousel, { type EmblaCarouselType, type EmblaOptionsType } from "embla-carousel";
import Fade from "embla-carousel-fade";
import type { Behaviour } from "./index";

/** The moving of a gallery's pictures, one after another. */
export interface Motion {
  /** The picture in view. */
  picture: () => number;
  go: (picture: number) => void;
  /** Goes along with another gallery. */
  follow: (picture: number) => void;
  /** Takes up slides that were put into another order. */
  renew: () => void;
  /** Stops advancing by itself, for good. */
  rest: () => void;
  end: () => void;
}

const still = matchMedia("(prefers-reduced-motion: reduce)");

/** Embla's pull towards the next slide has come within a twentieth after about this many milliseconds a step of its
 * `duration`. */
const MS_A_STEP = 24;

function optionsOf(behaviour: Behaviour, slides: HTMLElement[], at: number): EmblaOptionsType {
  const oneAtATime = behaviour.form === "one";
  const atOnce = still.matches || (oneAtATime && behaviour.change === "at_once");
  return {
    slides,
    startIndex: Math.max(0, at),
    axis: oneAtATime && behaviour.change === "up" ? "y" : "x",
    direction: behaviour.from_right ? "rtl" : "ltr",
    loop: behaviour.circles,
    duration: atOnce ? 0 : behaviour.pace / MS_A_STEP,
    align: "start",
    dragFree: !oneAtATime,
    containScroll: oneAtATime ? false : "trimSnaps",
  };
}

export function drive(
  gallery: HTMLElement,
  behaviour: Behaviour,
  at: number | null,
  moved: (picture: number) => void,
): Motion | null {
  const view = gallery.querySelector<HTMLElement>(".slides");
  const run = gallery.querySelector<HTMLElement>(".run");
  if (!view || !run || run.children.length < 2) return null;
  const visible = (): HTMLElement[] => ([...run.children] as HTMLElement[]).filter((slide) => !slide.hidden);
  const pictureOf = (slide: HTMLElement | undefined): number => Number(slide?.dataset.picture ?? -1);
  const placeOf = (picture: number): number => visible().findIndex((slide) => pictureOf(slide) === picture);

  const gone = new AbortController();
  const fades = behaviour.form === "one" && behaviour.change === "fade";
  gallery.toggleAttribute("data-up", behaviour.form === "one" && behaviour.change === "up");
  gallery.dataset.live = "";
  // The strip may have been scrolled before the script came.
  view.scrollTo({ left: 0, top: 0, behavior: "instant" });
  const embla = EmblaCarousel(
    view,
    optionsOf(behaviour, visible(), at === null ? 0 : placeOf(at)),
    fades ? [Fade()] : [],
  );
  const picture = (): number => pictureOf(embla.slideNodes()[shownPlace(embla, behaviour)]);
  let alone = false;

  function tellMoved(): void {
    mark(gallery, picture());
    arrows(gallery, embla);
    onlyTheShownOne(embla, behaviour);
    if (behaviour.follows)
      view?.style.setProperty(
        "height",
        `${embla.slideNodes()[embla.selectedScrollSnap()]?.firstElementChild?.clientHeight ?? 0}px`,
      );
    if (!alone) moved(picture());
  }
  function go(to: number): void {
    const place = placeOf(to);
    if (place >= 0) embla.scrollTo(snapOf(embla, place));
  }
  function follow(to: number): void {
    alone = true;
    go(to);
    alone = false;
  }
  const turning = advance(gallery, embla, run, behaviour, gone.signal);
  embla.on("select", tellMoved);
  gallery.addEventListener("click", (event) => clicked(event, embla, go), { signal: gone.signal });
  view.addEventListener("keydown", (event) => keyed(event, embla, behaviour), { signal: gone.signal });
  const watched = behaviour.follows ? new ResizeObserver(() => tellMoved()) : null;
  watched?.observe(run);
  alone = true;
  tellMoved();
  alone = false;

  return {
    picture,
    go,
    follow,
    renew: () => {
      embla.reInit({ ...optionsOf(behaviour, visible(), 0) });
      tellMoved();
    },
    rest: turning.stop,
    end: () => {
      gone.abort();
      turning.stop();
      watched?.disconnect();
      embla.destroy();
      gallery.removeAttribute("data-live");
    },
  };
}

/** A film strip stands at the first picture that is wholly in view. */
function shownPlace(embla: EmblaCarouselType, behaviour: Behaviour): number {
  const snap = embla.selectedScrollSnap();
  return behaviour.form === "one" ? snap : (embla.internalEngine().slideRegistry[snap]?.[0] ?? snap);
}

function snapOf(embla: EmblaCarouselType, place: number): number {
  const snap = embla.internalEngine().slideRegistry.findIndex((slides) => slides.includes(place));
  return Math.max(0, snap);
}

function clicked(event: MouseEvent, embla: EmblaCarouselType, go: (picture: number) => void): void {
  const target = event.target as Element;
  const arrow = target.closest(".arrow");
  if (arrow?.classList.contains("back")) embla.scrollPrev();
  else if (arrow) embla.scrollNext();
  const link = target.closest<HTMLAnchorElement>(".thumbs a, .dots a");
  if (!link) return;
  event.preventDefault();
  go(Number(link.closest<HTMLElement>("li")?.dataset.picture));
}

function keyed(event: KeyboardEvent, embla: EmblaCarouselType, behaviour: Behaviour): void {
  if (event.target !== event.currentTarget || event.altKey || event.ctrlKey || event.metaKey) return;
  const [back, on] = behaviour.from_right ? ["ArrowRight", "ArrowLeft"] : ["ArrowLeft", "ArrowRight"];
  if (event.key === back) embla.scrollPrev();
  else if (event.key === on) embla.scrollNext();
  else if (event.key === "Home") embla.scrollTo(0);
  else if (event.key === "End") embla.scrollTo(embla.scrollSnapList().length - 1);
  else return;
  event.preventDefault();
}

/** Marks what leads to the picture in view, and brings it into view without moving the page. */
function mark(gallery: HTMLElement, picture: number): void {
  for (const link of gallery.querySelectorAll<HTMLAnchorElement>(".thumbs a, .dots a")) {
    const item = link.closest<HTMLElement>("li");
    const list = item?.parentElement;
    if (Number(item?.dataset.picture) !== picture) link.removeAttribute("aria-current");
    else {
      link.setAttribute("aria-current", "true");
      if (item && list) {
        const [left, top] = [item.offsetLeft - list.offsetLeft, item.offsetTop - list.offsetTop];
        list.scrollTo({
          left: left - (list.clientWidth - item.clientWidth) / 2,
          top: top - (list.clientHeight - item.clientHeight) / 2,
          behavior: still.matches ? "instant" : "smooth",
        });
      }
    }
  }
}

function arrows(gallery: HTMLElement, embla: EmblaCarouselType): void {
  const set = (css: string, can: boolean): void =>
    gallery.querySelector(css)?.setAttribute("aria-disabled", String(!can));
  set(".arrow.back", embla.canScrollPrev());
  set(".arrow.on", embla.canScrollNext());
}

/** What isn't in view isn't read out and takes no focus. */
function onlyTheShownOne(embla: EmblaCarouselType, behaviour: Behaviour): void {
  const shown = embla.selectedScrollSnap();
  embla.slideNodes().forEach((slide, place) => {
    slide.inert = behaviour.form === "one" && place !== shown;
    if (place !== shown) slide.querySelector("video")?.pause();
  });
}

/** Goes on by itself until the shopper touches the gallery; never for those who ask for less motion. */
function advance(
  gallery: HTMLElement,
  embla: EmblaCarouselType,
  run: HTMLElement,
  behaviour: Behaviour,
  signal: AbortSignal,
): { stop: () => void } {
  let timer: ReturnType<typeof setInterval> | undefined;
  const button = gallery.querySelector<HTMLElement>(".rest");
  const stop = (): void => {
    clearInterval(timer);
    timer = undefined;
    run.setAttribute("aria-live", "polite");
    if (button) button.hidden = true;
  };
  stop();
  if (behaviour.advance === 0 || still.matches) return { stop };
  if (button) button.hidden = false;
  run.setAttribute("aria-live", "off");
  let pointedAt = false;
  timer = setInterval(() => {
    if (pointedAt || document.hidden) return;
    if (embla.canScrollNext()) embla.scrollNext();
    else embla.scrollTo(0);
  }, behaviour.advance * 1000);
  gallery.addEventListener("mouseenter", () => (pointedAt = true), { signal });
  gallery.addEventListener("mouseleave", () => (pointedAt = false), { signal });
  for (const touch of ["pointerdown", "focusin", "wheel"])
    gallery.addEventListener(touch, stop, { signal, passive: true });
  return { stop };
}
