import type { Behaviour } from "./index";

/** Looking at a picture from near with a mouse: in its place, beside it or under a lens. Only a picture that is larger
 * than it is shown can be looked at so; on touch the full screen does it. */
const WORTH_IT = 1.15;

export function lookNear(gallery: HTMLElement, behaviour: Behaviour, signal: AbortSignal): void {
  const frame = gallery.querySelector<HTMLElement>(".frame");
  if (!frame) return;
  let near: HTMLElement | null = null;
  let shade: HTMLElement | null = null;
  const leave = (): void => {
    near?.remove();
    shade?.remove();
    near = shade = null;
  };
  const look = (event: PointerEvent): void => {
    const image = (event.target as Element).closest<HTMLElement>(".slide")?.querySelector("img");
    const large = image?.closest<HTMLElement>(".slide")?.dataset;
    if (event.pointerType !== "mouse" || event.buttons !== 0 || !image || !large?.large) return leave();
    const shown = shownPart(image);
    const scale = Number(large.width) / shown.width;
    if (scale < WORTH_IT) return leave();
    if (!near) {
      near = document.createElement("div");
      near.className = `near ${behaviour.zoom} ${behaviour.lens[1]}`;
      near.style.backgroundImage = `url(${JSON.stringify(large.large)})`;
      if (behaviour.zoom === "lens" && behaviour.lens[2] > 0) {
        shade = document.createElement("div");
        shade.className = "shade";
        shade.style.opacity = String(behaviour.lens[2] / 100);
        frame.append(shade);
      }
      frame.append(near);
    }
    place(near, frame, behaviour, shown, scale, event);
  };
  frame.addEventListener("pointermove", look, { signal });
  frame.addEventListener("pointerleave", leave, { signal });
  frame.addEventListener("pointerdown", leave, { signal });
  signal.addEventListener("abort", leave);
}

interface Part {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Where the whole picture lies on the screen, the parts that its frame cuts off counted. */
function shownPart(image: HTMLImageElement): Part {
  const box = image.getBoundingClientRect();
  const style = getComputedStyle(image);
  const [wide, high] = [box.width / image.naturalWidth, box.height / image.naturalHeight];
  const scale = style.objectFit === "contain" ? Math.min(wide, high) : Math.max(wide, high);
  const [width, height] = [image.naturalWidth * scale, image.naturalHeight * scale];
  const [x, y] = style.objectPosition.split(" ").map((part) => parseFloat(part) / 100);
  const [left, top] = [box.left + (box.width - width) * (x ?? 0.5), box.top + (box.height - height) * (y ?? 0.5)];
  return { left, top, width, height };
}

/** Where there is more room beside the frame; in its place where there is none. */
const GAP = 16;
const LEAST = 180;
function roomBeside(box: DOMRect): { left: number; width: number } {
  const right = document.documentElement.clientWidth - box.right - 2 * GAP;
  const left = box.left - 2 * GAP;
  const width = Math.min(box.width, Math.max(left, right));
  if (width < LEAST) return { left: 0, width: box.width };
  return { left: right >= left ? box.width + GAP : -width - GAP, width };
}

function place(
  near: HTMLElement,
  frame: HTMLElement,
  behaviour: Behaviour,
  shown: Part,
  scale: number,
  event: PointerEvent,
): void {
  const box = frame.getBoundingClientRect();
  // The point under the mouse, as a share of the picture.
  const [x, y] = [(event.clientX - shown.left) / shown.width, (event.clientY - shown.top) / shown.height];
  const at = [event.clientX - box.left, event.clientY - box.top] as const;
  const lens = behaviour.zoom === "lens" ? behaviour.lens[0] : 0;
  const aside = behaviour.zoom === "beside" ? roomBeside(box) : { left: 0, width: box.width };
  const [width, height] = lens ? [lens, lens] : [aside.width, box.height];
  const [left, top] = lens ? [at[0] - lens / 2, at[1] - lens / 2] : [aside.left, 0];
  // Under a lens the point stays under the mouse; otherwise the picture slides under the whole frame.
  const [toX, toY] = lens ? [0.5, 0.5] : [at[0] / box.width, at[1] / box.height];
  Object.assign(near.style, {
    left: `${left}px`,
    top: `${top}px`,
    width: `${width}px`,
    height: `${height}px`,
    backgroundSize: `${shown.width * scale}px ${shown.height * scale}px`,
    backgroundPosition: `${toX * width - x * shown.width * scale}px ${toY * height - y * shown.height * scale}px`,
  });
}
