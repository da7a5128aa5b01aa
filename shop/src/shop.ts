import { watchCart } from "./cart";
import { type Asked, cartCount, cartCounts, entryOf, readTable, type Table } from "./entries";
import { watchGalleries } from "./gallery";
import { startFilms } from "./film";
import { watchQuickLooks } from "./quick";
import { fillShareLinks } from "./share";
import { show, tellMoves } from "./show";
import { watchSticky } from "./sticky";
import { orderProviders } from "./pay";
import { watchTexts } from "./text";
import { watchWishes } from "./wish";

function showCartCount(): void {
  const count = cartCount();
  for (const place of document.querySelectorAll("[data-cart-count]")) {
    place.textContent = count === "0" ? "" : ` ${count}`;
  }
}

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

function watchChoices(table: Table): void {
  let key = table.start;
  let turns = 0;
  let written = table.written;
  const go = async (to: string, picked = -1): Promise<void> => {
    const turn = ++turns;
    try {
      const entry = await entryOf(table, to, asked(table));
      if (turn !== turns) return;
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
    if (input.name === "quantity" || input.name === "plan") return void go(key);
    const option = input.dataset.option;
    if (option === undefined) return;
    const chosen = input instanceof HTMLSelectElement ? input.selectedOptions[0] : input;
    const to = known?.values[Number(option)]?.[Number(chosen?.dataset.value)]?.[1];
    if (to !== undefined) void go(to, Number(option));
  });
  // A text costs the same however long it is: only whether there is one matters.
  const wrote = (): void => {
    const now = asked(table).written;
    if (now === written) return;
    written = now;
    void go(key);
  };
  document.addEventListener("input", wrote);
  document.addEventListener("change", wrote);
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
  watchTexts();
  void orderProviders();
}
watchWishes();
