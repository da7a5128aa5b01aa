import { type Ref, shallowRef, watch } from "vue";
import { proofHtml } from "../../api/client";
import { useDesk } from "./deskStore";
import type { Box, Boxes, Device } from "./types";

/** The newest HTML of the page for both proofs, and what the proofs report of where the pieces lie. */
export function useProofs(address: Ref<string | null>, looks: Ref<number>) {
  const desk = useDesk();
  const html = shallowRef<string | null>(null);
  const boxes = shallowRef<Boxes>({ wide: new Map(), tablet: new Map(), phone: new Map() });
  let turn = 0;

  watch(
    [address, () => desk.draft?.revision, looks],
    async ([where]) => {
      if (!where) return;
      const mine = ++turn;
      // The page came with the answer to the edit.
      if (desk.fresh && desk.fresh.look === desk.look && desk.fresh.revision === desk.draft?.revision) {
        html.value = desk.fresh.html;
        desk.fresh = null;
        return;
      }
      const { data, error } = await proofHtml(where);
      if (mine !== turn) return;
      if (data !== undefined) html.value = data;
      if (error) desk.problem = error;
    },
    { immediate: true },
  );

  function report(device: Device, found: Box[]): void {
    boxes.value = { ...boxes.value, [device]: new Map(found.map((box) => [box.id, box])) };
  }

  return { html, boxes, report };
}
