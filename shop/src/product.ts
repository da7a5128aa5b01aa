import { Choice, pickOf } from "./choice";
import { type Asked, cartCounts, entryOf, type Table } from "./entries";
import { showPictures, watchGalleries } from "./gallery";
import { watchOrder } from "./order";
import { orderProviders } from "./pay";
import { all, show, tellLate, tellMoves } from "./show";
import { watchSticky } from "./sticky";
import { watchTexts } from "./text";

function asked(table: Table): Asked {
  const field = document.querySelector<HTMLInputElement>('input[name="quantity"][form="buy"]');
  const number = Number(field?.value ?? table.quantity);
  const plan = document.querySelector<HTMLInputElement>('input[name="plan"]:checked');
  const texts = [...document.querySelectorAll<HTMLInputElement>("[data-text-most]")];
  return {
    quantity: Number.isInteger(number) && number > 0 ? number : 1,
    plan: Number(plan?.value ?? table.plan),
    written: texts.length === 0 ? table.written : texts.some((text) => text.value.trim() !== ""),
  };
}

/** The address as it is, with another choice; what it holds besides stays. */
function addressOf(table: Table, key: string): string {
  const kept = new URLSearchParams(location.search);
  table.options.forEach((option) => kept.delete(option));
  const query = [key, kept.toString()].filter((part) => part !== "").join("&");
  return location.pathname + (query === "" ? "" : `?${query}`) + location.hash;
}

function watchChoices(table: Table): void {
  const choice = new Choice({
    table,
    asked: () => asked(table),
    others: () => cartCounts(table),
    ask: (query) => entryOf(table, query),
    pause: (ms) => new Promise((go) => setTimeout(go, ms)),
    show: (entry, before, picked) => {
      if (before) tellMoves(before, entry, picked);
      show(entry, table.states);
      showPictures(entry.pictures);
      history.replaceState(history.state, "", addressOf(table, entry.key));
    },
    late: (is) => tellLate(is ? table.late : ""),
  });
  document.addEventListener("change", (event) => {
    const input = event.target as HTMLInputElement | HTMLSelectElement;
    if (input.closest(".on-card")) return;
    const one = pickOf(input);
    if (one) choice.pick(one);
    else choice.look();
  });
  // A text costs the same however long it is: only whether there is one matters.
  document.addEventListener("input", (event) => {
    if ((event.target as HTMLElement).dataset.textMost !== undefined) choice.look();
  });
  choice.look();
  // What a browser fills in again when one comes back to the page is what was chosen.
  const readFields = (): void => {
    const fields = all<HTMLInputElement>(document, "input[data-option]:checked");
    for (const field of fields) {
      const one = pickOf(field);
      if (one && choice.entry && choice.entry.chosen[one.option] !== one.place) choice.pick(one);
    }
    choice.look(true);
  };
  addEventListener("pageshow", readFields);
  // This script may come after the page is there.
  if (document.readyState === "complete") readFields();
  /** The key without the choice of one option. */
  const without = (name: string): string =>
    (choice.entry?.key ?? "")
      .split("&")
      .filter((part) => !part.startsWith(`${name}=`))
      .join("&");
  document.addEventListener("click", (event) => {
    const line = (event.target as Element).closest<HTMLElement>("[data-key]");
    if (line && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
      event.preventDefault();
      return choice.choose(line.dataset.key ?? "");
    }
    const clear = (event.target as Element).closest("[data-clear]");
    if (clear) {
      event.preventDefault();
      return choice.choose("");
    }
    // Where choosing again clears, a click on what is chosen takes the choice back.
    const again = event.target as HTMLInputElement;
    if (again.closest(".on-card")) return;
    const option = again.dataset.option;
    if (option === undefined || again.type !== "radio" || !again.closest("[data-clears]")) return;
    if (choice.entry?.chosen[Number(option)] === Number(again.dataset.value)) choice.choose(without(again.name));
  });
  document.addEventListener("click", (event) => {
    const off = (event.target as Element).closest('[data-buy][aria-disabled="true"]');
    if (off) event.preventDefault();
  });
}

/** Enter in the field of those who wait sends that, and doesn't press the buy button. */
function watchWaiting(): void {
  document.addEventListener("keydown", (event) => {
    const field = event.target as HTMLElement;
    if (event.key !== "Enter" || !field.closest(".interest label")) return;
    event.preventDefault();
    field.closest(".interest")?.querySelector("button")?.click();
  });
}

/** Of rows laid out as tabs one is always open: a click on the open one leaves it open. */
function keepTabOpen(): void {
  document.addEventListener("click", (event) => {
    const row = (event.target as Element).closest("summary")?.parentElement;
    if (row instanceof HTMLDetailsElement && row.open && getComputedStyle(row).display === "contents") {
      event.preventDefault();
    }
  });
}

/** Brings a product's page to life; other pages don't load what that takes. */
export function watchProduct(table: Table): void {
  watchChoices(table);
  watchGalleries();
  watchOrder();
  watchSticky();
  keepTabOpen();
  watchWaiting();
  watchTexts();
  void orderProviders();
}
