import type { Entry, Table, ValueState } from "./entries";

/** Where an entry is shown: on one card, or on the page around all cards. */
export type Place = HTMLElement | Document;

/** Those of a place; a page's own are none of the cards' on it. */
export function all<E extends Element = HTMLElement>(place: Place, selector: string): E[] {
  const found = [...place.querySelectorAll<E>(selector)];
  return place === document ? found.filter((one) => !one.closest(".on-card")) : found;
}

/** Puts an entry onto a page or a card: texts, marks, button, the card's picture. */
export function show(entry: Entry, states: Table["states"], on: Place = document): void {
  showTexts(entry, on);
  for (const place of all(on, "[data-picture]")) {
    const [picture, address] = [place.querySelector("img"), entry.say[place.dataset.picture ?? ""]];
    if (picture && address && picture.getAttribute("src") !== address) {
      picture.removeAttribute("srcset");
      picture.src = address;
    }
  }
  for (const field of all<HTMLInputElement>(on, "[data-most]")) {
    const most = Number(entry.say[field.dataset.most ?? ""] ?? "");
    if (most > 0) field.max = `${Math.max(most, Number(field.min))}`;
  }
  showRungs(entry, on);
  showValues(entry, { open: "", sold_out: `, ${states.sold_out}`, not_made: `, ${states.not_made}` }, on);
  for (const button of all<HTMLButtonElement>(on, "[data-buy]")) {
    button.toggleAttribute("aria-disabled", false);
    if (entry.buy === "off") button.setAttribute("aria-disabled", "true");
  }
}

function showTexts(entry: Entry, on: Place): void {
  for (const place of all(on, "[data-say]")) {
    const text = entry.say[place.dataset.say ?? ""] ?? "";
    if (place.textContent !== text) place.textContent = text;
    place.hidden = text === "";
  }
  for (const place of all(on, "[data-shows]")) {
    place.hidden = (entry.say[place.dataset.shows ?? ""] ?? "") === "";
  }
  for (const place of all(on, "[data-shows-unless]")) {
    place.hidden = (entry.say[place.dataset.showsUnless ?? ""] ?? "") !== "";
  }
}

/** Of a price ladder's steps the one that is reached. */
function showRungs(entry: Entry, on: Place): void {
  for (const ladder of all(on, "[data-rungs]")) {
    const reached = entry.say[ladder.dataset.rungs ?? ""];
    for (const rung of ladder.querySelectorAll<HTMLElement>("[data-rung]")) {
      rung.toggleAttribute("aria-current", false);
      if (rung.dataset.rung === reached) rung.setAttribute("aria-current", "true");
    }
  }
}

function showValues(entry: Entry, words: Record<ValueState, string>, on: Place): void {
  for (const input of all<HTMLInputElement>(on, "input[data-option][data-value]")) {
    const [option, value] = [Number(input.dataset.option), Number(input.dataset.value)];
    const state = entry.values[option]?.[value]?.[0] ?? "not_made";
    const label = input.closest<HTMLElement>("label");
    if (label) label.dataset.state = state;
    const said = label?.querySelector("[data-state-words]");
    if (said) said.textContent = words[state];
    input.checked = entry.chosen[option] === value;
    if (input.closest("[data-strict]")) input.disabled = state !== "open" && !input.checked;
  }
  for (const list of all<HTMLSelectElement>(on, "select[data-option]")) {
    const option = Number(list.dataset.option);
    for (const item of list.options) {
      if (item.dataset.value === undefined) continue;
      const value = Number(item.dataset.value);
      const state = entry.values[option]?.[value]?.[0] ?? "not_made";
      item.dataset.state = state;
      item.textContent = `${item.dataset.name ?? ""}${words[state].replace(/^, /, " – ")}`;
      item.selected = entry.chosen[option] === value;
      if (list.closest("[data-strict]")) item.disabled = state !== "open" && !item.selected;
    }
  }
  for (const line of all(on, "[data-key]")) {
    line.toggleAttribute("aria-current", false);
    if (line.dataset.key === entry.key) line.setAttribute("aria-current", "true");
  }
  const chosen = new URLSearchParams(entry.key);
  for (const field of all<HTMLInputElement>(on, "[data-carry]")) {
    field.value = chosen.get(field.name) ?? "";
  }
  for (const link of all<HTMLAnchorElement>(on, "a[data-keeps]")) {
    link.search = entry.say[link.dataset.keeps ?? ""] ?? "";
  }
  for (const link of all(on, "[data-clear]")) {
    link.hidden = entry.chosen.every((value) => value === null);
  }
}

/** Says beside the choices that the shop doesn't answer; nothing where it does again. */
export function tellLate(words: string, on: Place = document): void {
  // Whether it can be bought isn't known: the form is answered by whoever does.
  if (words !== "") all(on, "[data-buy]").forEach((button) => button.removeAttribute("aria-disabled"));
  for (const place of all(on, "[data-moved]")) {
    place.textContent = words;
    place.hidden = words === "";
  }
}

/** Says which choices had to move so that those just made could be kept. */
export function tellMoves(before: Entry, after: Entry, picked: number[], on: Place = document): void {
  for (const place of all(on, "[data-moved]")) {
    const options = place.parentElement?.querySelectorAll<HTMLElement>("[data-name]:has([data-option])") ?? [];
    const said = [...options].flatMap((field) => {
      const option = Number(field.querySelector<HTMLElement>("[data-option]")?.dataset.option);
      const [was, now] = [before.chosen[option], after.chosen[option]];
      if (picked.includes(option) || was === null || now === null || was === now) return [];
      const value = field.querySelector<HTMLElement>(`[data-value="${now}"]`)?.dataset.name ?? "";
      const words = place.dataset.moved ?? "";
      return [words.replace("{option}", field.dataset.name ?? "").replace("{value}", value)];
    });
    place.textContent = said.join(" ");
    place.hidden = said.length === 0;
  }
}
