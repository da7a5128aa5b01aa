import { ref } from "vue";

/** Files that are held over a page and let go on it. */
export function useDropped(put: (files: File[]) => void) {
  const over = ref(false);
  function held(event: DragEvent): void {
    if (!event.dataTransfer?.types.includes("Files")) return;
    event.preventDefault();
    over.value = true;
  }
  function dropped(event: DragEvent): void {
    over.value = false;
    put([...(event.dataTransfer?.files ?? [])]);
  }
  /** The files that were chosen in a field. */
  return { over, held, dropped };
}
