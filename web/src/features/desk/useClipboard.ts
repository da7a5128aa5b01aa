import { onBeforeUnmount, onMounted } from "vue";
import { useDesk } from "./deskStore";
import type { Moves } from "./useMoves";

/** Copy, cut and paste by the browser's own keys and menu, as long as nobody is typing. */
export function useClipboard(moves: Moves): void {
  const desk = useDesk();

  function typing(event: Event): boolean {
    const target = event.target as Element | null;
    const within = target?.closest?.("input, textarea, select, [contenteditable]");
    return Boolean(within) || (getSelection()?.toString() ?? "") !== "";
  }

  function copy(event: ClipboardEvent): void {
    if (typing(event)) return;
    const text = moves.clip();
    if (!text) return;
    event.clipboardData?.setData("text/plain", text);
    event.preventDefault();
    if (event.type === "cut") moves.remove();
  }

  async function paste(event: ClipboardEvent): Promise<void> {
    if (typing(event)) return;
    const text = event.clipboardData?.getData("text/plain") ?? "";
    if (text === "") return;
    event.preventDefault();
    if (!(await moves.paste(text))) {
      desk.notice = "What is on the clipboard was not copied on a desk, so it has no place here. Nothing was changed.";
    }
  }

  const onPaste = (event: ClipboardEvent) => void paste(event);
  onMounted(() => {
    document.addEventListener("copy", copy);
    document.addEventListener("cut", copy);
    document.addEventListener("paste", onPaste);
  });
  onBeforeUnmount(() => {
    document.removeEventListener("copy", copy);
    document.removeEventListener("cut", copy);
    document.removeEventListener("paste", onPaste);
  });
}
