import { onBeforeUnmount, onMounted } from "vue";

/** Where keys are typed or a dialog has them, they aren't the view's. */
export function isTyping(event: KeyboardEvent): boolean {
  const theirs = "input:not([type=checkbox]), textarea, select, [contenteditable], .v-overlay__content";
  return (event.target as Element).closest(theirs) !== null;
}

/** Ctrl Z takes a step back, Ctrl Shift Z does it again. */
export function useUndoKeys(keys: { undo(): void; redo(): void }): void {
  function onKey(event: KeyboardEvent): void {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z" || isTyping(event)) return;
    event.preventDefault();
    event.shiftKey ? keys.redo() : keys.undo();
  }
  onMounted(() => addEventListener("keydown", onKey));
  onBeforeUnmount(() => removeEventListener("keydown", onKey));
}
