import { computed, onBeforeUnmount, ref, shallowRef, watch } from "vue";
import { type Answer, type ApiError, type Schemas, api, ask } from "../../api/client";

export type Pictures = Schemas["PicturesView"];
export type Picture = Schemas["PictureView"];
export type PictureChange = Omit<Schemas["ChangePictures"], "ids">;

/** While sizes are being made they are looked for so often. */
const LOOK_MS = 1000;

/** The pictures of a product, or the shop's own: what is chosen among them, and every change, one after another. */
export function usePictures(product: () => string | undefined) {
  const view = shallowRef<Pictures | null>(null);
  const problem = ref<ApiError | null>(null);
  const chosen = ref<number[]>([]);
  let queue: Promise<unknown> = Promise.resolve();
  let timer: ReturnType<typeof setTimeout> | undefined;

  const pictures = computed(() => view.value?.pictures ?? []);
  const waiting = computed(() => pictures.value.filter((p) => p.waiting).length);
  const one = computed(() =>
    chosen.value.length === 1 ? (pictures.value.find((p) => p.id === chosen.value[0]) ?? null) : null,
  );
  const many = computed(() => pictures.value.filter((p) => chosen.value.includes(p.id)));
  const proposed = computed(() => pictures.value.filter((p) => p.proposed.length > 0));

  /** Steps that aren't answered yet. */
  const pending = ref(0);
  function take(call: () => Promise<Answer<Pictures>>): Promise<boolean> {
    pending.value += 1;
    const turn = queue.then(async () => {
      const { data, error } = await call();
      pending.value -= 1;
      problem.value = error ?? null;
      if (data) view.value = data;
      chosen.value = chosen.value.filter((id) => pictures.value.some((p) => p.id === id));
      return data !== undefined;
    });
    queue = turn;
    return turn;
  }
  const of = () => ({ query: { product: product() } });
  const at = "/api/pictures" as const;
  const load = () => take(() => ask(api.GET(at, { params: of() })));
  const change = (ids: number[], wanted: PictureChange) => {
    const params = of();
    return take(() => ask(api.PATCH(at, { params, body: { ids, ...wanted } })));
  };
  const remove = (ids: number[]) => {
    const params = of();
    return take(() => ask(api.DELETE(at, { params, body: { ids } })));
  };
  const order = (ids: number[]) => {
    const params = of();
    return take(() => ask(api.PUT(`${at}/order`, { params, body: { ids } })));
  };
  /** Each gets the values that its file name speaks of. */
  async function takeProposed(): Promise<void> {
    for (const picture of proposed.value) await change([picture.id], { values: picture.proposed });
  }

  // The sizes are made behind one's back.
  watch(view, () => {
    clearTimeout(timer);
    if (waiting.value > 0) timer = setTimeout(() => void load(), LOOK_MS);
  });
  onBeforeUnmount(() => clearTimeout(timer));

  /** Chooses one; with more keys, more of them. */
  function choose(id: number, more: "only" | "too" | "up_to"): void {
    if (more === "only") chosen.value = [id];
    else if (more === "too") {
      chosen.value = chosen.value.includes(id) ? chosen.value.filter((c) => c !== id) : [...chosen.value, id];
    } else {
      const ids = pictures.value.map((p) => p.id);
      const [from, to] = [ids.indexOf(chosen.value[0] ?? id), ids.indexOf(id)];
      chosen.value = ids.slice(Math.min(from, to), Math.max(from, to) + 1);
    }
  }

  const seen = { view, pictures, waiting, chosen, one, many, proposed, problem, pending };
  return { ...seen, load, change, remove, order, takeProposed, choose };
}
export type PicturesControl = ReturnType<typeof usePictures>;
