/** The page's own address, with where it is to be found, into the links that pass it on. */
export function fillShareLinks(): void {
  const here = `${location.origin}${location.pathname}`;
  for (const link of document.querySelectorAll<HTMLAnchorElement>(
    "[data-share] a[href^='mailto:'], [data-share] a[href^='sms:']",
  )) {
    link.href = link.href.replace(/\/shop\/products\/[a-z0-9-]+$/, encodeURIComponent(here));
  }
}
