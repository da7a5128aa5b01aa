import { computed, ref } from "vue";
import { type Answer, type ApiError, type Schemas, api, ask } from "../../../api/client";
import { say } from "../../../words";

export type SiblingsView = Schemas["SiblingsView"];
export type SiblingView = Schemas["SiblingView"];
type Swatch = Schemas["Swatch"];
/** A product of the set as it is worked on; its own swatch only where its owner chose one. */
export interface Member extends SiblingView {
  own: Swatch | null;
}

const memberOf = (one: SiblingView): Member => ({ ...one, own: one.from === "product" ? one.swatch : null });

/** A set that is made of products, or changed. */
export function useSiblings(products: string[], set: SiblingsView | null) {
  const name = ref(set?.name ?? "");
  const oneCard = ref(set?.one_card ?? false);
  const members = ref<Member[]>((set?.members ?? []).map(memberOf));
  const problem = ref<ApiError | null>(null);
  const loading = ref(set === null);

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
    if (set) return;
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
  async function done(call: Promise<Answer<unknown>>): Promise<boolean> {
    const { error } = await call;
    problem.value = error ?? null;
    return error === undefined;
  }
  const keep = (): Promise<boolean> =>
    set
      ? done(ask(api.PUT("/api/siblings/{id}", { params: { path: { id: set.id } }, body: body() })))
      : done(ask(api.POST("/api/siblings", { body: body() })));
  const part = (id: number): Promise<boolean> =>
    done(ask(api.DELETE("/api/siblings/{id}", { params: { path: { id } } })));

  return { name, oneCard, members, problem, loading, load, ready, show, add, remove, up, paint, keep, part };
}
export type SiblingsControl = ReturnType<typeof useSiblings>;
