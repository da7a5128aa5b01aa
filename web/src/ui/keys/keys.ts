import { type MaybeRefOrGetter, onScopeDispose, ref, shallowRef, watchEffect } from "vue";
import { say } from "../../words";

/** What keys do: how they are written, and what comes of them. */
export type KeyLine = [keys: string, does: string];

/** What they do wherever one is. */
export const EVERYWHERE: KeyLine[] = [
  [say("keys-ctrl-k"), say("keys-go-anywhere-name")],
  [say("keys-ctrl-z-b"), say("keys-undo")],
  [say("keys-ctrl-shift-z-b"), say("keys-redo")],
  ["?", say("keys-these-keys")],
];

/** The list of the view that is open. */
export const ofView = shallowRef<{ title: string; keys: MaybeRefOrGetter<KeyLine[]> } | null>(null);
/** Whether the list is shown. */
export const listed = ref(false);

/** Tells what keys do in a view, for as long as it is open. */
export function useKeyList(title: string, keys: MaybeRefOrGetter<KeyLine[]>): void {
  const mine = { title, keys };
  ofView.value = mine;
  onScopeDispose(() => {
    if (ofView.value === mine) ofView.value = null;
  });
}

const KEPT = "letters";
/** Whether a letter alone, without Ctrl or Alt, does something. Whoever speaks to the computer may not want that. */
export const letters = ref(localStorage.getItem(KEPT) !== "off");
watchEffect(() => localStorage.setItem(KEPT, letters.value ? "on" : "off"));

/** Whether a key alone is to be heard: letters and signs only where they are wanted. */
export function isHeard({ key }: { key: string }): boolean {
  return letters.value || key.length > 1;
}
