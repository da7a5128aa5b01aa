/** Order and filters count as soon as they are changed; the button is for those without script. */
export function watchSift(): void {
  const form = document.querySelector<HTMLFormElement>("form[data-sift]");
  if (!form) return;
  form.querySelector<HTMLElement>("button")?.setAttribute("hidden", "");
  form.addEventListener("change", () => form.requestSubmit());
  // An address holds what is asked for and nothing else.
  form.addEventListener("formdata", (event) => {
    for (const [name, value] of [...event.formData.entries()]) {
      if (value === "" || (name === "order" && value === "arranged")) event.formData.delete(name);
    }
  });
}
