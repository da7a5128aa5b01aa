import { computed, ref } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import { draftCalls } from "../../session/useDraft";
import { useSteps } from "../../session/useSteps";
import { say } from "../../words";

type View = Schemas["ListingsView"];
export type ListingView = Schemas["ListingView"];
export type Order = Schemas["Order"];
type Change = Schemas["ListingChange"];

/** Listings as they are being made. */
export function useListings() {
  const drawn = ref(0);
  const steps = useSteps<View>(
    () => ({ thing: "listings", called: say("listings-listings") }),
    () => ask(api.GET("/api/listings")),
    () => void (drawn.value += 1),
  );
  const { view, problem, overtaken, pending, load, step, stepThenRead, after } = steps;
  const revision = (): number => view.value?.revision ?? 0;

  function set(of: string, change: Change, shows: Partial<ListingView>): Promise<boolean> {
    const shown = (now: View): View => ({
      ...now,
      can_undo: true,
      listings: now.listings.map((one) => (one.of === of ? { ...one, ...shows } : one)),
    });
    const body = () => ({ revision: revision(), of, change });
    return step((send) => ask(api.PUT("/api/listings", { body: body(), ...send })), { shows: shown });
  }
  const title = (of: string, text: string) => set(of, { title: text }, { title: text });
  const words = (of: string, text: string) => set(of, { words: text }, { words: text });
  const order = (of: string, wanted: Order) => set(of, { order: wanted }, { order: wanted });
  const first = (of: string, all: Schemas["FirstProduct"][]) =>
    set(of, { first: all.map((one) => one.product) }, { first: all });

  const calls = draftCalls("listings");
  const undo = () => stepThenRead((send) => calls.undo(revision(), send), "undo");
  const redo = () => stepThenRead((send) => calls.redo(revision(), send), "redo");
  const publish = () => after(() => calls.publish(revision()));
  const listings = computed(() => view.value?.listings ?? []);

  void load();
  return { view, listings, drawn, problem, overtaken, pending, load, title, words, order, first, undo, redo, publish };
}
export type ListingsControl = ReturnType<typeof useListings>;
