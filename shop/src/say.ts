/** A sentence in a corner of the page, for a while; with a link where there is one. */
export function say(text: string, to?: string): void {
  document.querySelector(".told-note")?.remove();
  const note = document.createElement("p");
  note.className = "told-note";
  note.role = "status";
  const words = to === undefined ? document.createElement("span") : document.createElement("a");
  if (to !== undefined) words.setAttribute("href", to);
  words.textContent = text;
  note.append(words);
  // Under an open dialog nobody would see it.
  (document.querySelector("dialog[open]") ?? document.body).append(note);
  setTimeout(() => note.remove(), 8000);
}
