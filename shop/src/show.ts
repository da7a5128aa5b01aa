import type { Entry, Table, ValueState } from "./entries";
import { showPictures } from "./gallery";

/** Puts an entry onto the page: texts, marks, button, pictures. */
export function show(entry: Entry, states: Table["states"]): void {
  showTexts(entry);
  for (const place of document.querySelectorAll<HTMLElement>("[data-picture]")) {
    const [picture, address] = [place.querySelector("img"), entry.say[place.dataset.picture ?? ""]];
    if (picture && address && picture.getAttribute("src") !== address) {
      picture.removeAttribute("srcset");
      picture.src = address;
    }
  }
  for (const field of document.querySelectorAll<HTMLInputElement>("[data-most]")) {
    const most = Number(entry.say[field.dataset.most ?? ""] ?? "");
    if (most > 0) field.max = `${Math.max(most, Number(field.min))}`;
  }
  showRungs(entry);
  showValues(entry, { open: "", sold_out: `, ${states.sold_out}`, not_made: `, ${states.not_made}` });
  for (const button of document.querySelectorAll<HTMLButtonElement>("[data-buy]")) {
    button.toggleAttribute("aria-disabled", false);
    if (entry.buy === "off") button.setAttribute("aria-disabled", "true");
  }
  showPictures(entry.pictures);
}

function showTexts(entry: Entry): void {
  for (const place of document.querySelectorAll<HTMLElement>("[data-say]")) {
    const text = entry.say[place.dataset.say ?? ""] ?? "";
    if (place.textContent !== text) place.textContent = text;
    place.hidden = text === "";
  }
  for (const place of document.querySelectorAll<HTMLElement>("[data-shows]")) {
    place.hidden = (entry.say[place.dataset.shows ?? ""] ?? "") === "";
  }
}

/** Of a price ladder's steps the one that is reached. */
function showRungs(entry: Entry): void {
  for (const ladder of document.querySelectorAll<HTMLElement>("[data-rungs]")) {
    const reached = entry.say[ladder.dataset.rungs ?? ""];
    for (const rung of ladder.querySelectorAll<HTMLElement>("[data-rung]")) {
      rung.toggleAttribute("aria-current", false);
      if (rung.dataset.rung === reached) rung.setAttribute("aria-current", "true");
    }
  }
}

function showValues(entry: Entry, words: Record<ValueState, string>): void {
  for (const input of document.querySelectorAll<HTMLInputElement>("input[data-option][data-value]")) {
    const [option, value] = [Number(input.dataset.option), Number(input.dataset.value)];
    const state = entry.values[option]?.[value]?.[0] ?? "not_made";
    const label = input.closest<HTMLElement>("label");
    if (label) label.dataset.state = state;
    const said = label?.querySelector("[data-state-words]");
    if (said) said.textContent = words[state];
    input.checked = entry.chosen[option] === value;
    if (input.closest("[data-strict]")) input.disabled = state !== "open" && !input.checked;
  }
  for (const list of document.querySelectorAll<HTMLSelectElement>("select[data-option]")) {
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
  for (const line of document.querySelectorAll<HTMLElement>("[data-key]")) {
    line.toggleAttribute("aria-current", false);
    if (line.dataset.key === entry.key) line.setAttribute("aria-current", "true");
  }
  const chosen = new URLSearchParams(entry.key);
  for (const field of document.querySelectorAll<HTMLInputElement>("[data-carry]")) {
    field.value = chosen.get(field.name) ?? "";
  }
  for (const link of document.querySelectorAll<HTMLElement>("[data-clear]")) {
    link.hidden = entry.chosen.every((value) => value === null);
  }
}

/** Says beside the choices that the shop doesn't answer; nothing where it does again. */
export function tellLate(words: string): void {
  // Whether it can be bought isn't known: the form is answered by whoever does.
  if (words !== "")
    document.querySelectorAll("[data-buy]").forEach((button) => button.removeAttribute("aria-disabled"));
  for (const place of document.querySelectorAll<HTMLElement>("[data-moved]")) {
    place.textContent = words;
    place.hidden = words === "";
  }
}

/** Says which choices had to move so that those just made could be kept. */
export function tellMoves(before: Entry, after: Entry, picked: number[]): void {
  for (const place of document.querySelectorAll<HTMLElement>("[data-moved]")) {
    const options = place.parentElement?.querySelectorAll<HTMLElement>("fieldset.option") ?? [];
    const said = [...options].flatMap((field, option) => {
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
