import { computed, ref } from "vue";
import { type Schemas, api, ask, offline } from "../../api/client";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import { newId } from "./order";

export type KeptBand = Schemas["KeptBand"];

/** Bands that are kept for several templates, and putting one of them into this. */
export function useKeptBands() {
  const desk = useDesk();
  const moves = injectMoves();
  const kept = ref<KeptBand[]>([]);
  const bands = () => desk.draft?.layout.bands ?? [];
  async function load(): Promise<void> {
    const { data, error } = await ask(api.GET("/api/kept-bands"));
    // What is told already stays told; without a connection the foot says as much.
    if (error && error.code !== offline.code) desk.problem = error;
    if (data) kept.value = data;
  }
  void load();
  /** Those that this template has already. */
  const here = computed(() => new Set(bands().map((band) => band.kept)));
  /** A band under another name stands where the old one stood. */
  function chooseAt(at: number): void {
    const band = bands()[at];
    if (band && !desk.problem) moves.choose({ band: band.id });
  }
  /** Puts one in below a band of the page: linked, or as a copy. */
  async function put(one: KeptBand, below: string, link: boolean): Promise<void> {
    const at = bands().findIndex((band) => band.id === below) + 1;
    await desk.placeBand(one.id, at, link ? null : newId("b"));
    chooseAt(at);
    await load();
  }
  return { kept, here, load, put, chooseAt };
}
