/** An address holds what is asked for and nothing else. */
export function watchSift(): void {
  const form = document.querySelector<HTMLFormElement>("form[data-sift]");
  form?.addEventListener("formdata", (event) => {
    for (const [name, value] of [...event.formData.entries()]) {
      if (value === "" || (name === "order" && value === "arranged")) event.formData.delete(name);
    }
  });
}
