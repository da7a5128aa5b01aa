import { type Ref, onBeforeUnmount, reactive, ref, watch } from "vue";
import { proofHtml } from "../../api/client";
import { SCREENS } from "./types";

type Screen = "wide" | "phone";

/** Where a page's first buy button that is seen ends, in pixels below the first screen; none where it has no such. */
function endOf(page: Document, height: number): number | null {
  const buttons = [...page.querySelectorAll(".k-buy-button")].map((one) => one.getBoundingClientRect());
  const first = buttons.find((box) => box.height > 0);
  return first ? Math.round(first.bottom + (page.defaultView?.scrollY ?? 0) - height) : null;
}

/**
 * Where the buy buttons of many pages end, measured one page after another in a frame out of sight, as each really lies
 * on that screen.
 */
export function useFirstScreens(
  products: Ref<{ handle: string }[]>,
  address: (product: string) => string | null,
  screen: Ref<Screen>,
) {
  const ends = reactive(new Map<string, number | null>());
  const busy = ref(false);
  let halted = false;
  let turn = 0;
  const frame = document.createElement("iframe");
  Object.assign(frame, { tabIndex: -1, ariaHidden: "true" });
  frame.setAttribute("inert", "");
  Object.assign(frame.style, { position: "fixed", left: "-10000px", top: "0", border: "0" });

  async function measure(html: string, { width, height }: { width: number; height: number }): Promise<number | null> {
    Object.assign(frame.style, { width: `${width}px`, height: `${height}px` });
    // Phones have no bars that take room.
    frame.setAttribute("scrolling", screen.value === "phone" ? "no" : "auto");
    const loaded = new Promise((done) => (frame.onload = done));
    // Nothing in it needs to run, and what lies below isn't measured.
    frame.srcdoc = html.replace(/<script type="module"[^>]*><\/script>/, "");
    if (!frame.isConnected) document.body.append(frame);
    await loaded;
    const page = frame.contentDocument;
    if (!page) return null;
    await page.fonts.ready;
    return endOf(page, height);
  }
  async function go(): Promise<void> {
    const mine = ++turn;
    busy.value = true;
    for (;;) {
      const next = products.value.find((one) => !ends.has(one.handle));
      if (!next || halted) break;
      const of = address(next.handle);
      const { data } = of ? await proofHtml(of) : { data: undefined };
      const end = data === undefined ? null : await measure(data, SCREENS[screen.value]);
      if (mine !== turn) return;
      ends.set(next.handle, end);
    }
    busy.value = false;
  }
  /** What was measured holds for one screen and one state of the page. */
  watch([screen, () => address("")], () => {
    ends.clear();
    halted = false;
    void go();
  });
  watch(products, () => !busy.value && void go(), { immediate: true });
  function halt(): void {
    halted = true;
  }
  onBeforeUnmount(() => {
    turn += 1;
    frame.remove();
  });
  return { ends, busy, halt };
}
