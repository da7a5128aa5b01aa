import { computed, ref, shallowRef } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../../api/client";
import { type Overtaken, asSeen } from "../../../session/useSteps";
import { say } from "../../../words";

export type SiblingsView = Schemas["SiblingsView"];
/** A set as it was seen from one of its products. */
export interface SeenSet {
  product: string;
  seen: string;
  set: SiblingsView;
}
export type SiblingView = Schemas["SiblingView"];
type Swatch = Schemas["Swatch"];
/** A product of the set as it is worked on; its own swatch only where its owner chose one. */
export interface Member extends SiblingView {
  own: Swatch | null;
}

const memberOf = (one: SiblingView): Member => ({ ...one, own: one.from === "product" ? one.swatch : null });

/** A set that is made of products, or changed, until that is done. */
export function useSiblings(products: string[], of: SeenSet | null, done: () => void) {
  const name = ref("");
  const oneCard = ref(false);
  const members = ref<Member[]>([]);
  const problem = ref<ApiError | null>(null);
  const overtaken = shallowRef<Overtaken | null>(null);
  const loading = ref(of === null);
  let at: SeenSet | null = null;
  function put(now: SeenSet): void {
    at = now;
    [name.value, oneCard.value, members.value] = [now.set.name, now.set.one_card, now.set.members.map(memberOf)];
  }
  if (of) put(of);

  /** How these would stand together; labels that are given stay. */
  async function proposed(wanted: { handle: string; label?: string }[]): Promise<Schemas["SiblingsProposal"] | null> {
    const pairs = wanted.flatMap(({ handle, label }) => [
      ["product", handle],
      ...(label === undefined ? [] : [["label", label]]),
    ]);
    const { data, error } = await ask(
      api.GET("/api/siblings/proposal", {
        params: { query: { product: wanted.map((one) => one.handle) } },
        querySerializer: () => new URLSearchParams(pairs).toString(),
      }),
    );
    problem.value = error ?? null;
    return data ?? null;
  }
  async function load(): Promise<void> {
    if (at) return;
    loading.value = true;
    const first = await proposed(products.map((handle) => ({ handle })));
    loading.value = false;
    if (!first) return;
    members.value = first.members.map(memberOf);
    if (name.value === "") name.value = first.name ?? say("use-siblings-model");
  }
  void load();

  /** What all of them show by themselves now; what was typed since stays. */
  async function show(): Promise<void> {
    const asked = members.value.map((one) => ({ handle: one.product, label: one.label }));
    if (asked.length < 2 || asked.some((one) => one.label.trim() === "")) return;
    const shown = await proposed(asked);
    for (const one of shown?.members ?? []) {
      const member = members.value.find((other) => other.product === one.product);
      if (member && !member.own && member.label === one.label) [member.swatch, member.from] = [one.swatch, one.from];
    }
  }
  async function add(handle: string): Promise<void> {
    if (members.value.some((one) => one.product === handle)) return;
    const asked = [...members.value.map((one) => ({ handle: one.product })), { handle }];
    // One alone would be joined by others whose names begin alike.
    const all = asked.length > 1 ? await proposed(asked) : await proposed([{ handle, label: "" }]);
    const one = all?.members.find((other) => other.product === handle);
    // It may have been added twice before the first answer came.
    const there = members.value.some((other) => other.product === handle);
    if (one && !there) members.value.push({ ...memberOf(one), label: one.label || one.name });
  }
  function remove(at: number): void {
    members.value.splice(at, 1);
  }
  function up(at: number): void {
    const [one] = members.value.splice(at, 1);
    if (one) members.value.splice(at - 1, 0, one);
  }
  async function paint(member: Member, own: Swatch | null): Promise<void> {
    member.own = own;
    if (own) [member.swatch, member.from] = [own, "product"];
    else await show();
  }

  const ready = computed(
    () => name.value.trim() !== "" && members.value.length > 1 && members.value.every((one) => one.label.trim() !== ""),
  );
  const body = () => ({
    name: name.value,
    one_card: oneCard.value,
    members: members.value.map((one) => ({ product: one.product, label: one.label, swatch: one.own })),
  });
  /** Tells of a refusal; where somebody else changed the same, its maker chooses. */
  function refused(error: ApiError | undefined, mine: () => unknown): void {
    const late = error?.code === "overtaken";
    problem.value = late ? null : (error ?? null);
    overtaken.value = late ? { told: error, about: undefined, mine, theirs } : null;
  }
  async function theirs(): Promise<void> {
    if (!at) return;
    const { product, set } = at;
    const { data, error } = await ask(
      api.GET("/api/products/{handle}/siblings", { params: { path: { handle: product } } }),
    );
    refused(error, theirs);
    if (!data) return;
    const now = data.sets.find((one) => one.id === set.id);
    if (now) put({ product, seen: data.seen, set: now });
    else done();
  }
  async function keep(mine = false): Promise<void> {
    const sent = body();
    const { data, error } = await ask(
      at
        ? api.PUT("/api/siblings/{id}", {
            params: { path: { id: at.set.id } },
            body: sent,
            ...asSeen(mine ? undefined : at.seen),
          })
        : api.POST("/api/siblings", { body: sent }),
    );
    refused(error, () => keep(true));
    if (!data) return;
    const [product, id] = [sent.members[0]?.product ?? "", at?.set.id ?? Math.max(...data.sets.map((one) => one.id))];
    const set = data.sets.find((one) => one.id === id);
    if (!set || JSON.stringify(sent) === JSON.stringify(body())) return done();
    // Something was changed before the answer came.
    at = { product, seen: data.seen, set };
    return keep();
  }
  async function part(mine = false): Promise<void> {
    if (!at) return;
    const headers = asSeen(mine ? undefined : at.seen);
    const { error } = await ask(api.DELETE("/api/siblings/{id}", { params: { path: { id: at.set.id } }, ...headers }));
    refused(error, () => part(true));
    if (!error) done();
  }

  return { name, oneCard, members, problem, overtaken, loading, load, ready, show, add, remove, up, paint, keep, part };
}
export type SiblingsControl = ReturnType<typeof useSiblings>;
