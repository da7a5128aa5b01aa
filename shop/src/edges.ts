/**
 * The edges between the columns of the chosen band: each is dragged, and the columns follow in whole twelfths. The desk
 * hears of it once it is let go.
 */
const PARTS = 12;
let moved: (band: string, widths: number[]) => void = () => undefined;

export function onColumns(listener: typeof moved): void {
  moved = listener;
}

/** How many twelfths each column of a band has. */
function widthsOf(columns: HTMLElement): number[] {
  return [...columns.style.getPropertyValue("--columns").matchAll(/([\d.]+)fr/g)].map((found) => Number(found[1]));
}

/** Takes the edges away, so that a page that comes finds only its own elements. */
export function clearEdges(): void {
  for (const edge of document.querySelectorAll(".proof-edge")) edge.remove();
}

/** Draws the edges of a band whose columns stand side by side. */
export function drawEdges(band: HTMLElement | null): void {
  // What moves while an edge is dragged doesn't take it away.
  if (document.querySelector(".proof-edge[data-says]")) return;
  clearEdges();
  const columns = band?.querySelector<HTMLElement>(":scope > .columns");
  const each = [...(columns?.children ?? [])] as HTMLElement[];
  const widths = columns ? widthsOf(columns) : [];
  // A column that has nothing to show is left out of the page: then the others aren't all there are.
  const whole = widths.reduce((sum, width) => sum + width, 0) === PARTS;
  if (!band || !columns || !whole || widths.length < 2 || widths.length !== each.length) return;
  const top = each[0]?.getBoundingClientRect().top;
  if (each.some((column) => column.getBoundingClientRect().top !== top)) return;
  widths.slice(1).forEach((_, before) => {
    const edge = document.createElement("div");
    edge.className = "proof-edge";
    edge.addEventListener("pointerdown", (event) => drag(event, { band, columns, edge, before, widths }));
    document.body.append(edge);
    lay(edge, columns, before);
  });
}

/** Between a column and the one after it, as high as the band. */
function lay(edge: HTMLElement, columns: HTMLElement, before: number): void {
  const [left, right] = [columns.children[before], columns.children[before + 1]].map((c) => c?.getBoundingClientRect());
  const box = columns.getBoundingClientRect();
  if (!left || !right) return;
  edge.style.left = `${(left.right + right.left) / 2 + scrollX}px`;
  edge.style.top = `${box.top + scrollY}px`;
  edge.style.height = `${box.height}px`;
}

interface Edge {
  band: HTMLElement;
  columns: HTMLElement;
  edge: HTMLElement;
  /** The column to the left of it. */
  before: number;
  widths: number[];
}

function drag(event: PointerEvent, { band, columns, edge, before, widths }: Edge): void {
  event.preventDefault();
  edge.setPointerCapture(event.pointerId);
  const part = columns.getBoundingClientRect().width / PARTS;
  const both = (widths[before] ?? 0) + (widths[before + 1] ?? 0);
  let now = widths;
  edge.dataset.says = now.join(" + ");
  const move = (to: PointerEvent): void => {
    const left = (widths[before] ?? 0) + Math.round((to.clientX - event.clientX) / part);
    const width = Math.min(both - 1, Math.max(1, left));
    now = widths.map((old, index) => (index === before ? width : index === before + 1 ? both - width : old));
    columns.style.setProperty("--columns", now.map((one) => `minmax(0, ${one}fr)`).join(" "));
    edge.dataset.says = now.join(" + ");
    document.querySelectorAll<HTMLElement>(".proof-edge").forEach((one, index) => lay(one, columns, index));
  };
  const end = (): void => {
    edge.removeEventListener("pointermove", move);
    delete edge.dataset.says;
    if (now !== widths && now[before] !== widths[before]) moved(band.dataset.band ?? "", now);
  };
  edge.addEventListener("pointermove", move);
  edge.addEventListener("lostpointercapture", end, { once: true });
}
