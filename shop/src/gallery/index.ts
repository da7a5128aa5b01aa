import { drive, type Motion } from "./motion";
import { lookNear } from "./near";
import { openWhole } from "./whole";

/** What a gallery does on one screen; the page says it for wide screens, tablets and phones. */
export interface Behaviour {
  form: "one" | "strip" | "stack" | "mosaic";
  change: "across" | "up" | "fade" | "at_once";
  /** Milliseconds. */
  pace: number;
  /** Seconds; 0 for never. */
  advance: number;
  circles: boolean;
  from_right: boolean;
  /** Whether the frame is as high as each picture. */
  follows: boolean;
  zoom: "none" | "place" | "beside" | "lens";
  /** Size in pixels, form, shade in percent. */
  lens: [number, "round" | "square", number];
  full: "never" | "click" | "button";
  caption: boolean;
}

interface Mounted {
  motion: Motion | null;
  end: () => void;
}

const mounted = new WeakMap<HTMLElement, Mounted>();
const PHONE = matchMedia("(max-width: 640px)");
const TABLET = matchMedia("(max-width: 1024px)");

function galleries(): HTMLElement[] {
  return [...document.querySelectorAll<HTMLElement>("[data-gallery]")];
}

/** Brings all galleries to life that aren't yet. In a proof nothing fills the screen. */
export function watchGalleries(inProof = false): void {
  for (const gallery of galleries()) {
    if (gallery.hasAttribute("data-ready")) continue;
    const at = mounted.get(gallery)?.motion?.picture() ?? null;
    mounted.get(gallery)?.end();
    mounted.set(gallery, mount(gallery, at, inProof));
  }
}

function behaviourOf(gallery: HTMLElement): Behaviour {
  const all = JSON.parse(gallery.dataset.gallery ?? "[]") as Behaviour[];
  return all[PHONE.matches ? 2 : TABLET.matches ? 1 : 0] as Behaviour;
}

function mount(gallery: HTMLElement, at: number | null, inProof: boolean): Mounted {
  const gone = new AbortController();
  const signal = gone.signal;
  const behaviour = behaviourOf(gallery);
  const inTurn = behaviour.form === "one" || behaviour.form === "strip";
  gallery.dataset.ready = "";
  const motion = inTurn ? drive(gallery, behaviour, at, (picture) => stepOthers(gallery, picture)) : null;
  if (behaviour.zoom !== "none") lookNear(gallery, behaviour, signal);
  gallery.toggleAttribute("data-full", behaviour.full === "click");
  if (behaviour.full !== "never" && !inProof) {
    const open = (picture: number): void => {
      motion?.rest();
      void openWhole(gallery, behaviour, picture, (now) => motion?.go(now));
    };
    gallery.addEventListener(
      "click",
      (event) => {
        const target = event.target as Element;
        const slide = target.closest<HTMLElement>(".slide");
        if (target.closest(".whole")) open(motion?.picture() ?? 0);
        else if (behaviour.full === "click" && slide && !target.closest("video")) open(Number(slide.dataset.picture));
      },
      { signal },
    );
  }
  const again = (): void => {
    gallery.removeAttribute("data-ready");
    watchGalleries(inProof);
  };
  PHONE.addEventListener("change", again, { signal });
  TABLET.addEventListener("change", again, { signal });
  const end = (): void => {
    gone.abort();
    motion?.end();
  };
  return { motion, end };
}

/** Several galleries on one page stay in step. */
function stepOthers(but: HTMLElement, picture: number): void {
  for (const gallery of galleries()) if (gallery !== but) mounted.get(gallery)?.motion?.follow(picture);
}

/** After a choice: shows the pictures that belong to it, or jumps to the first of them. */
export function showPictures(pictures: number[]): void {
  for (const gallery of galleries()) {
    const motion = mounted.get(gallery)?.motion;
    motion?.rest();
    if (gallery.dataset.follow === "chosen") {
      // With one picture there is nothing to go on to.
      gallery.classList.toggle("lone", pictures.length < 2);
      arrange(gallery, pictures);
      motion?.renew();
    } else if (gallery.dataset.follow === "jump" && pictures[0] !== undefined) motion?.go(pictures[0]);
  }
}

/** Puts the slides and thumbnails of these pictures into their order and hides all others. */
function arrange(gallery: HTMLElement, pictures: number[]): void {
  for (const list of gallery.querySelectorAll<HTMLElement>(".run, .thumbs, .dots")) {
    const items = [...list.children] as HTMLElement[];
    const place = (item: HTMLElement): number => {
      const at = pictures.indexOf(Number(item.dataset.picture));
      if (at < 0) return pictures.length;
      return "filmFirst" in gallery.dataset && "film" in item.dataset ? at - pictures.length : at;
    };
    const ordered = items
      .map((item) => ({ item, at: place(item) }))
      .sort((a, b) => a.at - b.at)
      .map(({ item }) => item);
    list.append(...ordered);
    const shown = ordered.filter((item) => pictures.includes(Number(item.dataset.picture)));
    for (const item of ordered) {
      const number = shown.indexOf(item) + 1;
      item.hidden = number === 0;
      if (number > 0) label(gallery, item, number, shown.length);
    }
  }
}

function label(gallery: HTMLElement, item: HTMLElement, number: number, count: number): void {
  const slide = gallery.querySelector(`.slide[data-picture="${item.dataset.picture}"] :is(img, video)`);
  const shows = slide?.getAttribute("alt") ?? slide?.getAttribute("aria-label") ?? "";
  const words = (gallery.dataset.words ?? "")
    .replace("{n}", String(number))
    .replace("{of}", String(count))
    .replace("{shows}", shows);
  (item.querySelector("a") ?? item).setAttribute("aria-label", words);
}
