import { onBeforeUnmount, onMounted } from "vue";
import { useDesk } from "./deskStore";
import type { Clipboard } from "./keys";
import type { Moves } from "./useMoves";
import { say } from "../../words";

/** Copy, cut and paste by the browser's own keys and menu, as long as nobody is typing; in proofs that are attached, too. */
export function useClipboard(moves: Moves): Clipboard {
  const desk = useDesk();

  function typing(event: Event): boolean {
    const target = event.target as Element | null;
    const within = target?.closest?.("input, textarea, select, [contenteditable]");
    const page = target?.ownerDocument ?? document;
    return Boolean(within) || (page.getSelection()?.toString() ?? "") !== "";
  }

  function copy(event: ClipboardEvent): void {
    if (typing(event)) return;
    const text = moves.clip();
    if (!text) return;
    event.clipboardData?.setData("text/plain", text);
    event.preventDefault();
    if (event.type === "cut") moves.remove();
  }

  function paste(event: ClipboardEvent): void {
    if (typing(event)) return;
    const text = event.clipboardData?.getData("text/plain") ?? "";
    if (text === "") return;
    event.preventDefault();
    if (!moves.paste(text)) {
      desk.notice = say("clipboard-what-clipboard-was-not");
    }
  }

  function attach(page: Document): void {
    page.addEventListener("copy", copy);
    page.addEventListener("cut", copy);
    page.addEventListener("paste", paste);
  }
  onMounted(() => attach(document));
  onBeforeUnmount(() => {
    document.removeEventListener("copy", copy);
    document.removeEventListener("cut", copy);
    document.removeEventListener("paste", paste);
  });
  return { attach };
}
