import { onBeforeUnmount, onMounted, ref } from "vue";
import { api, ask } from "../../api/client";
import { useDesk } from "./deskStore";
import { bandOf, pieceOf } from "./types";

const EVERY_MS = 1500;

/** Tells the server that one is here, and learns who else is and what they have done. */
export function usePresence() {
  const desk = useDesk();
  /** Grows with every change of house style or wording, which proofs show too. */
  const looks = ref(0);
  const place = [...crypto.getRandomValues(new Uint8Array(8))].map((b) => b.toString(16).padStart(2, "0")).join("");
  let timer: ReturnType<typeof setTimeout> | undefined;
  let gone = false;

  async function beat(leaving = false): Promise<void> {
    const id = desk.view?.id;
    if (!id || !desk.draft) return;
    const chosen = pieceOf(desk.chosen) ?? bandOf(desk.chosen) ?? "";
    const body = { place, revision: desk.draft.revision, chosen, leaving };
    const { data } = await ask(
      // Who closes the tab is gone before it is answered.
      api.POST("/api/templates/{id}/presence", { params: { path: { id } }, body, keepalive: leaving }),
    );
    if (!data || gone || id !== desk.view?.id) return;
    desk.others = data.others;
    looks.value = data.looks;
    if (data.draft) desk.takeOver(data.draft);
  }

  async function goOn(): Promise<void> {
    if (document.visibilityState === "visible") await beat();
    if (!gone) timer = setTimeout(() => void goOn(), EVERY_MS);
  }

  const leave = () => void beat(true);
  onMounted(() => {
    void goOn();
    addEventListener("pagehide", leave);
  });
  onBeforeUnmount(() => {
    leave();
    gone = true;
    clearTimeout(timer);
    removeEventListener("pagehide", leave);
  });
  return { looks };
}
