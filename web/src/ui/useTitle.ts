import { onScopeDispose, watchEffect } from "vue";
import { say } from "../words";

const REST = say("title-compagina");
/** What the view is called, as long as nothing of it is open. */
let plain = "";
let open: (() => string | null | undefined) | null = null;

function write(): void {
  document.title = [open?.() || plain, REST].filter(Boolean).join(" · ");
}

/** The view that was gone to. */
export function titleOfView(title: string): void {
  plain = title;
  write();
}

/** The window's title names what is open: *Whimbrel: variants*. */
export function useTitle(name: () => string | null | undefined): void {
  open = name;
  watchEffect(write);
  onScopeDispose(() => {
    if (open !== name) return;
    open = null;
    write();
  });
}
