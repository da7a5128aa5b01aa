/** Whether something is typed in a field that it is kept from only when it is left. */
let typing = false;
let waiting: (() => void)[] = [];

function ends(): void {
  typing = false;
  const go = waiting;
  waiting = [];
  // What is kept as the field is left goes first.
  setTimeout(() => go.forEach((one) => one()));
}
if (typeof document !== "undefined") {
  document.addEventListener("input", () => (typing = true), true);
  for (const event of ["change", "focusout", "submit"]) document.addEventListener(event, ends, true);
}

/** Waits until nothing is being typed: what one is about to keep is made on what one saw, not on what came in since. */
export const typingEnds = (): Promise<void> => (typing ? new Promise((go) => waiting.push(go)) : Promise.resolve());
