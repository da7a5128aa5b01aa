import { onBeforeUnmount, onMounted } from "vue";
import { type KeyLine, isHeard, listed, useKeyList } from "../../ui/keys/keys";
import { isTyping } from "../../ui/useUndoKeys";
import type { Shown } from "./types";
import { say } from "../../words";
import { useDesk } from "./deskStore";

/** A key with what is held down with it, as the page or a proof reports it. */
export interface Press {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
  shiftKey: boolean;
  altKey: boolean;
  /** Whether it is to be written at once. */
  writes?: boolean;
}
export interface Keys {
  walk(step: -1 | 1, more: boolean): void;
  step(direction: -1 | 1): void;
  add(): void;
  addBand(): void;
  copy(): void;
  remove(): void;
  undo(): void;
  redo(): void;
  leaf(step: -1 | 1): void;
  show(which: Shown): void;
  find(): void;
  setting(): void;
  into(writes: boolean): void;
  letGo(): void;
}

const BAND: KeyLine = ["B", say("keys-add-band-two-columns")];
const KEYS: KeyLine[] = [
  ["↑ ↓", say("keys-line-above-below")],
  [say("keys-shift"), say("keys-choose-several")],
  [say("keys-alt"), say("keys-move-piece")],
  ["A", say("keys-add-piece-after-chosen")],
  BAND,
  ["D", say("keys-copy-piece-right-here")],
  [say("keys-ctrl-c-x-v"), say("keys-copy-cut-paste-other")],
  ["/", say("keys-find-line")],
  ["F", say("keys-find-setting")],
  ["Enter", say("keys-from-line-settings-there")],
  [say("keys-click-twice"), say("keys-write-words")],
  [say("keys-ctrl"), say("keys-slip-next-heading")],
  ["Delete", say("keys-remove")],
  [say("keys-ctrl-z"), "undo"],
  [say("keys-ctrl-shift-z"), "redo"],
  ["[ ]", say("keys-leaf-through-products")],
  ["1 2 3 4", say("keys-wide-screen-phone-both")],
  ["5 6", say("keys-all-products-all-states")],
  ["Esc", say("keys-choose-nothing")],
];

/** Everything on the desk by keyboard, as long as nobody is typing. */
export function useKeys(keys: Keys) {
  function act(press: Press): boolean {
    const command = press.ctrlKey || press.metaKey;
    const key = press.key.length === 1 ? press.key.toLowerCase() : press.key;
    if (command && key === "z") press.shiftKey ? keys.redo() : keys.undo();
    else if (command || (!press.altKey && !isHeard(press))) return false;
    else if (press.altKey && key === "ArrowUp") keys.step(-1);
    else if (press.altKey && key === "ArrowDown") keys.step(1);
    else if (press.altKey) return false;
    else if (key === "ArrowUp") keys.walk(-1, press.shiftKey);
    else if (key === "ArrowDown") keys.walk(1, press.shiftKey);
    else if (key === "a") keys.add();
    else if (key === "b") keys.addBand();
    else if (key === "/") keys.find();
    else if (key === "f") keys.setting();
    else if (key === "Enter") keys.into(press.writes ?? false);
    else if (key === "Escape") keys.letGo();
    else if (key === "d") keys.copy();
    else if (key === "Delete") keys.remove();
    else if (key === "[") keys.leaf(-1);
    else if (key === "]") keys.leaf(1);
    else if (key === "1") keys.show("wide");
    else if (key === "2") keys.show("phone");
    else if (key === "3") keys.show("both");
    else if (key === "4") keys.show("tablet");
    else if (key === "5") keys.show("products");
    else if (key === "6") keys.show("states");
    else if (key === "?") listed.value = true;
    else return false;
    return true;
  }

  function onKey(event: KeyboardEvent): void {
    const target = event.target as Element;
    if (isTyping(event)) return;
    const arrows = event.key.startsWith("Arrow") && target.closest("[role=tablist], .v-btn-toggle");
    // Enter on a line that is chosen goes on to its settings; on anything else it is that thing's.
    const theirs = event.key === "Enter" && target !== document.body && !target.closest(".row.chosen .what");
    // On many keyboards brackets are typed with AltGr, which says that Ctrl and Alt are held down.
    const graph = event.getModifierState("AltGraph") && event.key.length === 1;
    const { key, metaKey, shiftKey } = event;
    const held = graph ? { ctrlKey: false, altKey: false } : { ctrlKey: event.ctrlKey, altKey: event.altKey };
    if (!arrows && !theirs && act({ key, metaKey, shiftKey, ...held })) event.preventDefault();
  }

  const desk = useDesk();
  // A card is one column.
  useKeyList(say("keys-keys-desk"), () => (desk.onCard ? KEYS.filter((line) => line !== BAND) : KEYS));
  onMounted(() => addEventListener("keydown", onKey));
  onBeforeUnmount(() => removeEventListener("keydown", onKey));
  return act;
}
