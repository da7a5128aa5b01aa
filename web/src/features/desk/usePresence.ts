import { onBeforeUnmount, onMounted, ref, watch } from "vue";
import { api, ask } from "../../api/client";
import type { Present, Heard } from "../../session/feed";
import { useFeed } from "../../session/useFeed";
import { useDesk } from "./deskStore";
import { bandOf, pieceOf } from "./types";

/** Moving through the order tells where one has come to, not where one went through. */
const SETTLED_MS = 250;
/** So often a tab to which no stream comes through says that it is still there. */
const STILL_MS = 4000;

/** Tells the server that one is at this desk and what is chosen, and learns who else is and what they have changed. */
export function usePresence() {
  const desk = useDesk();
  const feed = useFeed();
  /** Grows with whatever proofs show besides the draft: the house style, the wording, prices, products. */
  const looks = ref(0);
  let settling: ReturnType<typeof setTimeout> | undefined;
  let still: ReturnType<typeof setInterval> | undefined;

  const show = (all: Present[]): void => {
    desk.others = all.filter((one) => one.place !== feed.tab);
  };
  async function say(id: number, leaving = false): Promise<void> {
    const chosen = pieceOf(desk.chosen) ?? bandOf(desk.chosen) ?? "";
    const body = { place: feed.tab, chosen, leaving };
    const { data } = await ask(
      // Who closes the tab is gone before it is answered.
      api.POST("/api/templates/{id}/presence", { params: { path: { id } }, body, keepalive: leaving }),
    );
    if (data && !leaving && id === desk.view?.id) show(data);
  }
  const here = (): void => {
    if (desk.view && document.visibilityState === "visible") void say(desk.view.id);
  };
  const leave = (): void => {
    if (desk.view) void say(desk.view.id, true);
  };

  function hear({ anew, said }: Heard): void {
    // The server may have begun anew: it doesn't know yet who is here.
    if (anew) here();
    const there = said.findLast((one) => one.thing === `here/${desk.view?.id}`);
    if (there?.present) show(there.present);
    if (anew || said.some((one) => !/^(template-|here\/|sessions)/.test(one.thing))) looks.value += 1;
  }
  const unhear = feed.hear(hear);

  watch(
    () => desk.chosen,
    () => {
      clearTimeout(settling);
      settling = setTimeout(here, SETTLED_MS);
    },
  );
  watch(
    () => desk.view?.id,
    (id, before) => {
      if (before) void say(before, true);
      if (id) here();
    },
    { immediate: true },
  );
  onMounted(() => {
    still = setInterval(() => {
      if (!feed.isStreaming()) here();
    }, STILL_MS);
    addEventListener("pagehide", leave);
    document.addEventListener("visibilitychange", here);
  });
  onBeforeUnmount(() => {
    leave();
    unhear();
    clearTimeout(settling);
    clearInterval(still);
    removeEventListener("pagehide", leave);
    document.removeEventListener("visibilitychange", here);
  });
  return { looks };
}
