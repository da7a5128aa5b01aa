import { say } from "./say";

/** What is kept for later; the till writes it into a cookie, so that pages can be kept ready for everyone. */
const kept = (): Set<string> => {
  const text = /(?:^|; )wishes=([\d.]*)/.exec(document.cookie)?.[1] ?? "";
  return new Set(text.split(".").filter((id) => id !== ""));
};

export function showWishes(): void {
  const all = kept();
  for (const button of document.querySelectorAll<HTMLElement>("[data-wish]")) {
    const on = all.has(button.dataset.wish ?? "");
    button.setAttribute("aria-pressed", `${on}`);
    const words = button.querySelector("[data-wish-words]");
    if (words) words.textContent = (on ? button.dataset.kept : button.dataset.words) ?? "";
  }
  for (const link of document.querySelectorAll<HTMLElement>("[data-wish-link]")) {
    link.hidden = all.size === 0;
    const count = link.querySelector("[data-wish-count]");
    if (count) count.textContent = ` ${all.size}`;
  }
}

/** Keeps the choice for later, or no longer, without leaving the page. */
export function watchWishes(): void {
  document.addEventListener("submit", (event) => {
    const button = event.submitter as HTMLButtonElement | null;
    const form = event.target as HTMLFormElement;
    if (!button || button.dataset.wish === undefined || form.target !== "") return;
    event.preventDefault();
    const body = new URLSearchParams();
    for (const [name, value] of new FormData(form)) if (typeof value === "string") body.append(name, value);
    body.append("script", "1");
    if (button.getAttribute("aria-pressed") === "true") body.append("drop", "1");
    // Whatever the answer, the page shows what is kept by now.
    void fetch(button.formAction, { method: "POST", body })
      .catch(() => null)
      .then((answer) => {
        showWishes();
        if (!answer?.ok) say(button.dataset.failed ?? "");
      });
  });
  showWishes();
  addEventListener("pageshow", showWishes);
}
