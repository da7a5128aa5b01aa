import { watchCart } from "./cart";
import { cartCount, cartCounts, entryOf, readTable, type Table } from "./entries";
import { watchGalleries } from "./gallery";
import { startFilms } from "./film";
import { watchQuickLooks } from "./quick";
import { fillShareLinks } from "./share";
import { show, tellMoves } from "./show";
import { watchSticky } from "./sticky";

function showCartCount(): void {
  const count = cartCount();
  for (const place of document.querySelectorAll("[data-cart-count]")) {
    place.textContent = count === "0" ? "" : ` ${count}`;
  }
}

function quantity(): number {
  const field = document.querySelector<HTMLInputElement>('input[name="quantity"][form="buy"]');
  const number = Number(field?.value ?? 1);
  return Number.isInteger(number) && number > 0 ? number : 1;
}

function watchChoices(table: Table): void {
  let key = table.start;
  let asked = 0;
  const go = async (to: string, picked = -1): Promise<void> => {
    const turn = ++asked;
    try {
      const entry = await entryOf(table, to, quantity());
      if (turn !== asked) return;
      if (known) tellMoves(known, entry, picked);
      key = entry.key;
      known = entry;
      show(entry, table.states);
      history.replaceState(null, "", key === "" ? location.pathname : `?${key}`);
    } catch {
      // Without an answer the form still works: the server draws the page for this choice.
      location.search = to;
    }
  };
  let known = table.entries[key];
  document.addEventListener("change", (event) => {
    const input = event.target as HTMLInputElement | HTMLSelectElement;
    if (input.name === "quantity") return void go(key);
    const option = input.dataset.option;
    if (option === undefined) return;
    const chosen = input instanceof HTMLSelectElement ? input.selectedOptions[0] : input;
    const to = known?.values[Number(option)]?.[Number(chosen?.dataset.value)]?.[1];
    if (to !== undefined) void go(to, Number(option));
  });
  if (cartCounts(table)) void go(key);
  /** The key without the choice of one option. */
  const without = (name: string): string =>
    key
      .split("&")
      .filter((part) => !part.startsWith(`${name}=`))
      .join("&");
  document.addEventListener("click", (event) => {
    const line = (event.target as Element).closest<HTMLElement>("[data-key]");
    if (line && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
      event.preventDefault();
      return void go(line.dataset.key ?? "");
    }
    const clear = (event.target as Element).closest("[data-clear]");
    if (clear) {
      event.preventDefault();
      return void go("");
    }
    // Where choosing again clears, a click on what is chosen takes the choice back.
    const again = event.target as HTMLInputElement;
    const option = again.dataset.option;
    if (option === undefined || again.type !== "radio" || !again.closest("[data-clears]")) return;
    if (known?.chosen[Number(option)] === Number(again.dataset.value)) void go(without(again.name));
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

showCartCount();
addEventListener("pageshow", showCartCount);
startFilms();
watchQuickLooks();
watchCart(showCartCount);
fillShareLinks();
const table = readTable();
if (table) {
  watchChoices(table);
  watchGalleries();
  watchSticky();
  keepTabOpen();
  watchWaiting();
}
