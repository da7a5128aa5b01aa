/** A proof's page taken apart, so that two of them can be compared piece by piece. */
export interface Parts {
  html: string;
  pieces: Map<string, string>;
  /** The page's body with every piece empty. */
  shape: string;
  /** The house style, and what pieces and bands are set to. */
  house: string;
  laid: string;
  offers: string;
  title: string;
  lang: string;
}

let last: Parts | null = null;

/** Both proofs get the same page: it is taken apart once. */
export function partsOf(html: string): Parts {
  if (last?.html === html) return last;
  const page = new DOMParser().parseFromString(html, "text/html");
  const text = (css: string) => page.querySelector(css)?.textContent ?? "";
  const pieces = new Map<string, string>();
  const [house, laid, offers] = [text("#house"), text("#laid"), text("#offers")];
  for (const piece of page.querySelectorAll<HTMLElement>("[data-piece]")) {
    pieces.set(piece.dataset.piece ?? "", piece.outerHTML);
    piece.replaceChildren();
  }
  last = {
    html,
    pieces,
    shape: page.body.innerHTML,
    house,
    laid,
    offers,
    title: page.title,
    lang: page.documentElement.lang,
  };
  return last;
}

/** What a proof that shows one page is told so that it shows another: pieces that are as they were stay untouched. */
export function changesBetween(shown: Parts, wanted: Parts): Record<string, unknown> {
  const changed = [...wanted.pieces].filter(([id, html]) => shown.pieces.get(id) !== html);
  const { house, laid, offers, title, lang } = wanted;
  const body = shown.shape === wanted.shape ? null : wanted.shape;
  return { say: "changes", pieces: Object.fromEntries(changed), body, house, laid, offers, title, lang };
}
