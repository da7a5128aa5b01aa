import type { Entry, Table, ValueState } from "./entries";

/** Puts an entry onto the page: texts, marks, button, pictures. */
export function show(entry: Entry, states: Table["states"]): void {
  showTexts(entry);
  showValues(entry, { open: "", sold_out: `, ${states.sold_out}`, not_made: `, ${states.not_made}` });
  for (const button of document.querySelectorAll<HTMLButtonElement>("[data-buy]")) {
    button.toggleAttribute("aria-disabled", false);
    if (entry.buy === "off") button.setAttribute("aria-disabled", "true");
  }
  for (const gallery of document.querySelectorAll<HTMLElement>("[data-follow]")) showPictures(gallery, entry.pictures);
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

function showValues(entry: Entry, words: Record<ValueState, string>): void {
  for (const input of document.querySelectorAll<HTMLInputElement>("input[data-option][data-value]")) {
    const [option, value] = [Number(input.dataset.option), Number(input.dataset.value)];
    const state = entry.values[option]?.[value]?.[0] ?? "not_made";
    const label = input.closest<HTMLElement>("label");
    if (label) label.dataset.state = state;
    const said = label?.querySelector("[data-state-words]");
    if (said) said.textContent = words[state];
    input.checked = entry.chosen[option] === value;
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
    }
  }
}

function showPictures(gallery: HTMLElement, pictures: number[]): void {
  for (const item of gallery.querySelectorAll<HTMLElement>("li[data-picture]")) {
    const place = pictures.indexOf(Number(item.dataset.picture));
    item.hidden = place < 0;
    item.style.order = String(place < 0 ? 999 : place);
  }
  const slides = gallery.querySelector<HTMLElement>(".slides");
  slides?.scrollTo({ left: 0, behavior: "instant" });
  markThumb(gallery, pictures[0] ?? 0);
}

/** Marks the thumbnail of the picture in view. */
export function markThumb(gallery: HTMLElement, picture: number): void {
  for (const link of gallery.querySelectorAll<HTMLAnchorElement>(".thumbs a")) {
    const own = Number(link.closest<HTMLElement>("li")?.dataset.picture) === picture;
    if (own) link.setAttribute("aria-current", "true");
    else link.removeAttribute("aria-current");
  }
}
