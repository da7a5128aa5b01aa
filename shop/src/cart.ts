import { say } from "./say";

/** Puts things into the cart without leaving the page, where the page wants that, and shows the cart at its side. */
export function watchCart(counted: () => void): void {
  guardSending();
  document.addEventListener("submit", (event) => {
    const form = event.target as HTMLFormElement;
    const clicked = event.submitter as HTMLButtonElement | null;
    // A pay shortcut leads on by itself, whatever follows the buy button.
    const leadsOn = clicked?.hasAttribute("formaction") || clicked?.name === "pay";
    const buys = form.id === "buy" || form.dataset.cardForm !== undefined;
    // Beside a cart that is open it stays open.
    const beside = form.closest(".side-cart") !== null;
    // On the cart's own page the cart is drawn anew.
    if (!beside && form.closest(".goes-with")) return;
    if (buys && form.target === "" && !leadsOn) {
      const own = clicked?.name === "after" ? clicked.value : new FormData(form).get("after");
      const after = beside ? "side" : own;
      if (after !== "side" && after !== "stay") return;
      event.preventDefault();
      void add(form, clicked, after, counted);
    } else if (form.closest(".side-cart")) {
      if (form.action.endsWith("/accept")) return;
      event.preventDefault();
      const turn = (turns += 1);
      void send(form, clicked, counted).then((answer) => {
        // What was asked for later shows how the cart is by then.
        if (turn !== turns) return;
        if (answer?.ok) open(answer.html);
        else if (answer) say(answer.html);
      });
    }
  });
}

/** Counts what was asked of the cart at the page's side. */
let turns = 0;

/** A form that is on its way isn't sent a second time by a double click; it can be again once one has come back. */
function guardSending(): void {
  const sent = new Set<HTMLFormElement>();
  addEventListener("pageshow", () => sent.clear());
  document.addEventListener("submit", (event) => {
    const form = event.target as HTMLFormElement;
    if (form.method !== "post" || form.target !== "") return;
    if (sent.has(form)) {
      event.preventDefault();
      event.stopImmediatePropagation();
      return;
    }
    // Whoever sends it without leaving the page sees to that by itself.
    setTimeout(() => event.defaultPrevented || sent.add(form));
    setTimeout(() => sent.delete(form), AGAIN_MS);
  });
}
/** Milliseconds after which a form can be sent again on the same page. */
const AGAIN_MS = 3000;

async function send(
  form: HTMLFormElement,
  clicked: HTMLElement | null,
  counted: () => void,
): Promise<{ ok: boolean; html: string } | null> {
  const body = new URLSearchParams();
  for (const [name, value] of new FormData(form, clicked)) if (typeof value === "string") body.append(name, value);
  body.append("script", "1");
  try {
    const answer = await fetch(form.action, { method: "POST", body });
    counted();
    const kind = answer.headers.get("content-type") ?? "";
    // A page of its own comes where something went wrong on the server's side.
    if (!answer.ok && !kind.startsWith("text/plain")) throw new Error(`the shop answered ${answer.status}`);
    return { ok: answer.ok, html: await answer.text() };
  } catch {
    // Whether it was taken isn't known. It isn't sent again: the cart tells how things stand.
    location.assign("/shop/cart");
    return null;
  }
}

let adding = false;

async function add(
  form: HTMLFormElement,
  clicked: HTMLElement | null,
  after: string,
  counted: () => void,
): Promise<void> {
  // A double tap adds once, by whichever button.
  if (adding) return;
  adding = true;
  tell(clicked, "adding");
  const answer = await send(form, clicked, counted).finally(() => (adding = false));
  if (!answer) return;
  tell(clicked, answer.ok ? "added" : "");
  if (!answer.ok) say(answer.html);
  else if (after === "side") open(answer.html);
  else {
    const part = new DOMParser().parseFromString(answer.html, "text/html");
    say(part.querySelector(".notice")?.textContent ?? "", "/shop/cart");
  }
}

/** The words on the button while it works, and for a moment after. */
function tell(button: HTMLElement | null, state: "adding" | "added" | ""): void {
  const told = button?.querySelector<HTMLElement>("[data-told]");
  if (!button || !told) return;
  button.dataset.state = state;
  told.textContent = state === "" ? "" : (button.dataset[state] ?? "");
  told.hidden = state === "";
  if (state === "added") setTimeout(() => tell(button, ""), 2500);
}

function open(html: string): void {
  let dialog = document.querySelector<HTMLDialogElement>("dialog.side-cart");
  if (!dialog) {
    dialog = document.createElement("dialog");
    dialog.className = "side-cart";
    dialog.addEventListener("click", (event) => {
      const target = event.target as HTMLElement;
      if (target === dialog || target.closest(".side-close")) dialog?.close();
    });
    // A number that was changed counts without another click.
    dialog.addEventListener("change", (event) => {
      const field = event.target as HTMLInputElement;
      if (field.name === "quantity") field.form?.requestSubmit();
    });
    document.body.append(dialog);
  }
  const part = new DOMParser().parseFromString(html, "text/html").body;
  const close = document.createElement("button");
  close.type = "button";
  close.className = "side-close quick-close";
  close.ariaLabel = part.querySelector<HTMLElement>("[data-close]")?.dataset.close ?? "";
  dialog.ariaLabel = part.querySelector("h2")?.textContent ?? "";
  // Whoever works by keyboard stays at the same field of the same line.
  const held = document.activeElement as HTMLInputElement | null;
  const line = held?.form?.querySelector<HTMLInputElement>('[name="line"]')?.value;
  const name = held?.name;
  dialog.replaceChildren(close, ...part.childNodes);
  const forms = [...dialog.querySelectorAll("form")];
  const same = forms.find((form) => form.querySelector<HTMLInputElement>('[name="line"]')?.value === line);
  if (line !== undefined && name) same?.querySelector<HTMLElement>(`[name="${name}"]`)?.focus();
  if (!dialog.open) dialog.showModal();
}
