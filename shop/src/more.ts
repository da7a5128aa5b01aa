import { offerQuickLooks } from "./quick";
import { say } from "./say";
import { showWishes } from "./wish";

/** Puts the next page of a long listing under what is there; without script one goes from page to page. */
export function watchMore(): void {
  const leaves = document.querySelector<HTMLElement>(".leaves");
  if (leaves) offer(leaves, 1);
}

function offer(leaves: HTMLElement, shown: number): void {
  const next = leaves.querySelector<HTMLAnchorElement>("a[rel=next]");
  if (!next) return;
  const button = document.createElement("button");
  button.type = "button";
  button.className = "plain";
  button.textContent = leaves.dataset.more ?? "";
  button.addEventListener("click", () => {
    if (button.ariaBusy === "true") return;
    button.ariaBusy = "true";
    // Where it doesn't come, the page of its own tells why.
    void take(leaves, next.href, shown + 1).catch(() => location.assign(next.href));
  });
  leaves.prepend(button);
}

async function take(leaves: HTMLElement, address: string, number: number): Promise<void> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(answer.statusText);
  const page = new DOMParser().parseFromString(await answer.text(), "text/html");
  const cards = document.querySelector(".listing .cards");
  const more = [...page.querySelectorAll(".listing .cards > *")];
  const ways = page.querySelector<HTMLElement>(".leaves");
  if (!cards || more.length === 0 || !ways) throw new Error("no listing");
  const laid = page.querySelector("#laid");
  // A layout may have another number there.
  const renamed = `deck-${number}-$1`;
  if (laid) document.head.append(styled(laid.textContent.replaceAll(/\bdeck-(\d+)/g, renamed)));
  for (const card of more) card.className = card.className.replace(/\bdeck-(\d+)/, renamed);
  // A product that moved between two pages stands there already.
  const fresh = more.filter((card) => !document.getElementById(card.id));
  cards.append(...fresh);
  for (const card of fresh) offerQuickLooks(card);
  showWishes();
  ways.querySelector("a[rel=prev]")?.remove();
  leaves.replaceWith(ways);
  offer(ways, number);
  say(ways.querySelector("span")?.textContent ?? "");
  fresh[0]?.querySelector("a")?.focus({ preventScroll: true });
}

function styled(rules: string): HTMLStyleElement {
  const style = document.createElement("style");
  style.textContent = rules;
  return style;
}
