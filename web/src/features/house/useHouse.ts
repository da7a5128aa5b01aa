import { computed, shallowRef } from "vue";
import { type Schemas, api, ask, proofHtml } from "../../api/client";
import { draftCalls } from "../../session/useDraft";
import { useSteps } from "../../session/useSteps";
import { say } from "../../words";

export type Token = Schemas["TokenView"];
type View = Schemas["HouseView"];

/** The house style's draft and its living sample. */
export function useHouse() {
  const sample = shallowRef<string | null>(null);
  let drawn = 0;
  const steps = useSteps<View>(
    () => ({ thing: "house", called: say("house-house-style") }),
    () => ask(api.GET("/api/house")),
    () => void draw(),
  );
  const { view, problem, overtaken, pending, load, step, stepThenRead, after } = steps;

  async function draw(): Promise<void> {
    const mine = (drawn += 1);
    const { data, error } = await proofHtml("/api/house/sample");
    if (mine !== drawn) return;
    if (data !== undefined) sample.value = data;
    else problem.value = error ?? null;
  }

  const revision = (): number => view.value?.revision ?? 0;
  function set(key: string, value: Schemas["SetValue"] | null): Promise<boolean> {
    const shown = (now: View): View => ({
      ...now,
      can_undo: true,
      tokens: now.tokens.map((token) =>
        token.key === key ? { ...token, value: value ?? token.shipped, own: value !== null } : token,
      ),
    });
    return step((send) => ask(api.PUT("/api/house", { body: { revision: revision(), key, value }, ...send })), {
      shows: shown,
    });
  }
  const calls = draftCalls("house");
  const undo = () => stepThenRead((send) => calls.undo(revision(), send), "undo");
  const redo = () => stepThenRead((send) => calls.redo(revision(), send), "redo");
  const publish = () => after(() => calls.publish(revision()));
  /** Keeps what counts for a text under a name; tells why, where it can't be. */
  async function keepLook(name: string, of: { kind: string; text: string }): Promise<Schemas["ApiError"] | undefined> {
    const { data, error } = await ask(api.POST("/api/house/looks", { body: { revision: revision(), name, ...of } }));
    if (data) await load();
    return error;
  }
  const removeLook = (look: string) =>
    after(() =>
      ask(api.DELETE("/api/house/looks/{look}", { params: { path: { look }, query: { revision: revision() } } })),
    );
  const weak = computed(() => view.value?.contrasts.filter((pair) => !pair.holds) ?? []);

  void load();
  return { view, sample, problem, overtaken, pending, weak, load, set, undo, redo, publish, keepLook, removeLook };
}
