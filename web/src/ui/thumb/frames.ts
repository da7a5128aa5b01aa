/** Frames in which pages are drawn small. One that is let go is kept and used again for another page: browsers are slow
 *  in giving back what a frame took, and a new one costs more than the page that it shows. */

const MOST_KEPT = 12;
const kept: HTMLIFrameElement[] = [];
let store: Movable | undefined;

interface Movable extends HTMLElement {
  /** Moves an element with all that lives in it, where the browser can. */
  moveBefore?: (node: Node, before: Node | null) => void;
}

function makeStore(): Movable {
  const place: Movable = document.createElement("div");
  place.hidden = true;
  document.body.append(place);
  return place;
}

/** A frame within an element, empty; it can't be entered. */
export function takeFrame(into: Movable): HTMLIFrameElement {
  const known = kept.pop();
  if (known && into.moveBefore) {
    into.moveBefore(known, null);
    return known;
  }
  const frame = document.createElement("iframe");
  frame.scrolling = "no";
  frame.tabIndex = -1;
  frame.inert = true;
  into.append(frame);
  return frame;
}

/** Gives a frame back. */
export function letGoFrame(frame: HTMLIFrameElement): void {
  frame.onload = null;
  store ??= makeStore();
  if (!store.moveBefore || !frame.isConnected || kept.length === MOST_KEPT) {
    frame.remove();
    return;
  }
  drawIn(frame, "");
  store.moveBefore(frame, null);
  kept.push(frame);
}

/** Draws a page in a frame, in place of what was there. */
export function drawIn(frame: HTMLIFrameElement, html: string): void {
  const page = frame.contentDocument;
  page?.open();
  page?.write(html);
  page?.close();
}
