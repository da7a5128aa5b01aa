import { Choice, pickOf } from "./choice";
import { cartCounts, entryOf, type Entry, type Table } from "./entries";
import { all, show, tellLate, tellMoves } from "./show";

/** Milliseconds that each picture stays while a card is pointed at. */
const TURN_MS = 1200;

/**
 * Cards on which something is chosen: each stands for itself, and asks the shop for what a choice comes to. What is
 * missing when the buy button is pressed is asked for on the card.
 */
export function watchCards(): void {
  document.addEventListener("change", (event) => {
    const input = event.target as HTMLInputElement | HTMLSelectElement;
    const card = input.closest<HTMLElement>("[data-card]");
    if (card) changed(card, input);
  });
  // Before whatever sends the form.
  document.addEventListener("submit", askForMissing, true);
  document.addEventListener("click", (event) => {
    const off = (event.target as Element).closest('.on-card [data-buy][aria-disabled="true"]');
    if (off) event.preventDefault();
  });
  if (!matchMedia("(prefers-reduced-motion: reduce)").matches) watchTurns();
}

const choices = new WeakMap<HTMLElement, Choice>();

function changed(card: HTMLElement, input: HTMLInputElement | HTMLSelectElement): void {
  input.closest("[data-missing]")?.removeAttribute("data-missing");
  const choice = choices.get(card) ?? choiceOf(card);
  choices.set(card, choice);
  const one = pickOf(input);
  if (one) choice.pick(one);
  else if (input.dataset.line !== undefined) choice.choose(input.dataset.line);
  else choice.look();
}

/** The handles of a card's options, in their order; of those that aren't on it nothing is asked. */
function handles(card: HTMLElement): string[] {
  const names: string[] = [];
  for (const input of card.querySelectorAll<HTMLInputElement | HTMLSelectElement>("[data-option][name]")) {
    names[Number(input.dataset.option)] = input.name;
  }
  return names;
}

function choiceOf(card: HTMLElement): Choice {
  const states = { sold_out: card.dataset.soldOut ?? "", not_made: card.dataset.notMade ?? "" };
  const quantity = (): number => {
    const number = Number(card.querySelector<HTMLInputElement>('input[name="quantity"]')?.value ?? 1);
    return Number.isInteger(number) && number > 0 ? number : 1;
  };
  const table: Table = {
    start: card.dataset.keyNow ?? "",
    ask: card.dataset.ask ?? "",
    cart: true,
    quantity: quantity(),
    plan: 0,
    written: false,
    options: handles(card),
    late: "",
    states,
    entries: {},
  };
  return new Choice({
    table,
    asked: () => ({ quantity: quantity(), plan: 0, written: false }),
    others: () => cartCounts(table),
    ask: (query) => entryOf(table, `card=${card.dataset.card ?? ""}&${query}`),
    pause: (ms) => new Promise((go) => setTimeout(go, ms)),
    show: (entry, before, picked) => {
      if (before) tellMoves(before, entry, picked, card);
      show(entry, states, card);
      showCard(card, entry);
    },
    late: (is) => tellLate(is ? table.late : "", card),
  });
}

/** What only cards have: where they lead to, and the pictures that come while they are pointed at. */
function showCard(card: HTMLElement, entry: Entry): void {
  for (const link of card.querySelectorAll<HTMLAnchorElement>("a[data-to]")) {
    link.search = entry.key;
  }
  for (const place of card.querySelectorAll<HTMLElement>("[data-others]")) {
    place.dataset.pictures = entry.say[place.dataset.others ?? ""] ?? "";
    showOther(place, 0);
  }
}

/** Of the pictures that come while a card is pointed at the one at this place. */
function showOther(place: HTMLElement, nth: number): void {
  const addresses = (place.dataset.pictures ?? "").split(" ").filter((one) => one !== "");
  const picture = place.querySelector("img");
  const address = addresses[nth % Math.max(1, addresses.length)];
  place.hidden = address === undefined;
  if (!picture || address === undefined || picture.getAttribute("src") === address) return;
  picture.removeAttribute("srcset");
  picture.src = address;
}

/** Pictures in turn, while a card is pointed at. */
function watchTurns(): void {
  let turning: { card: Element; timer: ReturnType<typeof setInterval> } | null = null;
  document.addEventListener("pointerover", (event) => {
    const card = (event.target as Element).closest(".on-card");
    if (card === (turning?.card ?? null)) return;
    if (turning) clearInterval(turning.timer);
    turning = null;
    const place = card?.querySelector<HTMLElement>("[data-turn]");
    if (!card || !place || event.pointerType !== "mouse") return;
    let nth = 0;
    turning = { card, timer: setInterval(() => showOther(place, (nth += 1)), TURN_MS) };
  });
}

function askForMissing(event: SubmitEvent): void {
  const form = event.target as HTMLFormElement;
  const clicked = event.submitter as HTMLButtonElement | null;
  const card = form.closest<HTMLElement>(".on-card");
  if (!card || form.dataset.cardForm === undefined || clicked?.dataset.buy === undefined) return;
  const missing = all(card, ".card-option, .k-card-variants:has(input)").filter((option) => {
    const list = option.querySelector<HTMLSelectElement>("select[data-option]");
    return list ? list.value === "" : !option.querySelector("input:checked");
  });
  if (missing.length === 0) return;
  event.preventDefault();
  event.stopImmediatePropagation();
  missing.forEach((option) => option.setAttribute("data-missing", ""));
  const names = missing.map((option) => option.dataset.name ?? "").filter((name) => name !== "");
  const place = card.querySelector<HTMLElement>("[data-ask-words]");
  if (place && names.length > 0) {
    place.textContent = (place.dataset.askWords ?? "").replace("{options}", names.join(", "));
    place.hidden = false;
  }
  missing[0]?.querySelector<HTMLElement>("input, select")?.focus();
}
