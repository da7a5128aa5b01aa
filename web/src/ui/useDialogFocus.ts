import { type Ref, nextTick, onBeforeUnmount, watch } from "vue";

const FIELD = ":is(input, select, textarea):not([type=file], :disabled, [readonly])";

/** Where the keys go when a dialog opens, and where they go back to when it closes. */
export function useDialogFocus(open: Ref<boolean>): { begin: (sheet: HTMLElement) => void } {
  /** What had the focus before it opened. */
  let before: Element | null = null;
  /** What the focus was put on while no field was there yet. */
  let meanwhile: Element | null = null;
  let begun = false;
  let mine: Element | null = null;

  /** Goes to what is marked to begin at, else to the first field, however late it comes; until then to the foot. It
   * leaves the focus alone once somebody has taken it elsewhere in the dialog. */
  function begin(sheet: HTMLElement): void {
    mine = sheet.closest(".v-overlay");
    const now = document.activeElement;
    if (begun || (now !== meanwhile && sheet.contains(now))) return;
    const marked =
      sheet.querySelector<HTMLElement>("[autofocus]") ?? sheet.querySelector<HTMLElement>(`.body ${FIELD}`);
    const first =
      marked ?? sheet.querySelector<HTMLElement>(".foot [type=submit]:enabled") ?? sheet.querySelector(".foot button");
    if (!(first instanceof HTMLElement)) return;
    first.focus({ preventScroll: true });
    if (first instanceof HTMLInputElement) first.select();
    meanwhile = first;
    begun = first === marked && document.activeElement === first;
  }

  /** Who opened it from a menu goes back to what opened the menu. */
  function goBack(): void {
    const menu = before?.closest(".v-menu");
    const to = menu ? document.querySelector(`[aria-controls="${menu.id}"]`) : before;
    before = null;
    const now = document.activeElement;
    if (to instanceof HTMLElement && to.isConnected && (now === document.body || mine?.contains(now)))
      to.focus({ preventScroll: true });
  }
  watch(
    open,
    (opens) => {
      if (!opens) return void nextTick(goBack);
      begun = false;
      before = document.activeElement;
    },
    { immediate: true },
  );
  onBeforeUnmount(() => void nextTick(goBack));
  return { begin };
}
