import { ref } from "vue";

/**
 * The name of something new: it is taken out of its field as it is sent, so that sending twice makes one, and what is
 * typed meanwhile stays. It comes back where it couldn't be made; `make` tells whether it was.
 */
export function useNewName(make: (name: string) => Promise<boolean>) {
  const name = ref("");
  async function add(): Promise<void> {
    const wanted = name.value.trim();
    if (wanted === "") return;
    name.value = "";
    if (!(await make(wanted)) && name.value === "") name.value = wanted;
  }
  return { name, add };
}
