import { all } from "./show";

/** As wide as phones are at most; the page's own rules say the same. */
const PHONES = "(max-width: 640px)";

/**
 * Pieces that stand in another order on phones are read and walked through in that order, too: there they lie in the page
 * as they are seen, on wider screens as they are listed. Styles alone show them so at once; this moves nothing that is
 * seen.
 */
export function watchOrder(): void {
  const phone = matchMedia(PHONES);
  const bands = all<HTMLElement>(document, "[data-on-phones]").map((columns) => {
    const pieces = all<HTMLElement>(columns, ":scope > .column > .piece");
    const listed = pieces.map((piece) => ({ piece, column: piece.parentElement }));
    const order = (columns.dataset.onPhones ?? "").split(" ").flatMap((id) => document.getElementById(id) ?? []);
    return { listed, order, first: columns.querySelector(":scope > .column") };
  });
  const lay = (): void => {
    for (const { listed, order, first } of bands) {
      if (phone.matches) first?.append(...order);
      else for (const { piece, column } of listed) column?.append(piece);
    }
  };
  if (phone.matches) lay();
  phone.addEventListener("change", lay);
}
