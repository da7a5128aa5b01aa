/** Their buttons need a script; without one they aren't shown. */
export function offerQuickLooks(among: ParentNode): void {
  for (const button of among.querySelectorAll<HTMLElement>("[data-quick]")) button.hidden = false;
}

/** Opens small product pages over listings. Each is a page of its own in a frame, so it behaves as every page does. */
export function watchQuickLooks(): void {
  offerQuickLooks(document);
  document.addEventListener("click", (event) => {
    const button = (event.target as Element).closest<HTMLElement>("[data-quick]");
    if (button) open(button);
  });
}

function open(button: HTMLElement): void {
  const dialog = document.createElement("dialog");
  dialog.className = "quick-look";
  dialog.ariaLabel = button.textContent.trim();
  const close = document.createElement("button");
  close.type = "button";
  close.className = "quick-close";
  close.ariaLabel = button.dataset.close ?? "";
  close.addEventListener("click", () => dialog.close());
  const frame = document.createElement("iframe");
  frame.title = dialog.ariaLabel;
  frame.src = button.dataset.quick ?? "";
  frame.addEventListener("load", () => {
    const page = frame.contentDocument;
    page?.addEventListener("keydown", (event) => {
      if (event.key === "Escape" && !event.defaultPrevented) dialog.close();
    });
    const height = page?.querySelector<HTMLElement>("main")?.offsetHeight;
    if (height) dialog.style.height = `min(${height}px, 92vh)`;
    dialog.classList.add("here");
  });
  dialog.append(close, frame);
  dialog.addEventListener("click", (event) => {
    if (event.target === dialog) dialog.close();
  });
  dialog.addEventListener("close", () => dialog.remove());
  document.body.append(dialog);
  dialog.showModal();
}
