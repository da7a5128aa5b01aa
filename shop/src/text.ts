/** Counts what is written while it is written: the characters of the line in which the caret stands. */
export function watchTexts(): void {
  for (const field of document.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>("[data-text-most]")) {
    const told = document
      .getElementById(field.getAttribute("aria-describedby") ?? "")
      ?.querySelector("[data-text-count]");
    if (!(told instanceof HTMLElement)) continue;
    const most = Number(field.dataset.textMost);
    const count = (): void => {
      const before = field.value.slice(0, field.selectionStart ?? field.value.length).split("\n").length - 1;
      const line = field.value.split("\n")[before] ?? "";
      const length = [...line].length;
      const words = told.dataset.textCount ?? "";
      told.textContent = field.value === "" ? "" : words.replace("{count}", `${length}`).replace("{most}", `${most}`);
      told.classList.toggle("problem", length > most);
    };
    for (const event of ["input", "keyup", "click"]) field.addEventListener(event, count);
    count();
  }
}
