import { computed, ref } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import { useSteps } from "../../session/useSteps";
import { say } from "../../words";

export type Pictures = Schemas["PicturesView"];
export type Picture = Schemas["PictureView"];
export type PictureChange = Omit<Schemas["ChangePictures"], "ids">;

/** The pictures of a product, or the shop's own: what is chosen among them, and every change, one after another. */
export function usePictures(product: () => string | undefined) {
  const chosen = ref<number[]>([]);
  const of = () => ({ query: { product: product() } });
  const at = "/api/pictures" as const;
  const steps = useSteps<Pictures>(
    () => ({ thing: `pictures/${product() ?? ""}`, called: say("pictures-pictures") }),
    () => ask(api.GET(at, { params: of() })),
    (now) => (chosen.value = chosen.value.filter((id) => now.pictures.some((p) => p.id === id))),
  );
  const { view, problem, overtaken, pending, load, step, stepThenRead } = steps;

  const pictures = computed(() => view.value?.pictures ?? []);
  const waiting = computed(() => pictures.value.filter((p) => p.waiting).length);
  const one = computed(() =>
    chosen.value.length === 1 ? (pictures.value.find((p) => p.id === chosen.value[0]) ?? null) : null,
  );
  const many = computed(() => pictures.value.filter((p) => chosen.value.includes(p.id)));
  const proposed = computed(() => pictures.value.filter((p) => p.proposed.length > 0));

  const ofPictures = (shown: (all: Picture[]) => Picture[]) => (now: Pictures) => ({
    ...now,
    pictures: shown(now.pictures),
  });
  const change = (ids: number[], wanted: PictureChange) => {
    const params = of();
    const { alt, focus, values } = wanted;
    const shown = ofPictures((all) =>
      all.map((one) =>
        ids.includes(one.id)
          ? { ...one, alt: alt ?? one.alt, focus: focus ?? one.focus, values: values ?? one.values }
          : one,
      ),
    );
    return step((send) => ask(api.PATCH(at, { params, body: { ids, ...wanted }, ...send })), { shows: shown });
  };
  const remove = (ids: number[]) => {
    const params = of();
    const shown = ofPictures((all) => all.filter((one) => !ids.includes(one.id)));
    return step((send) => ask(api.DELETE(at, { params, body: { ids }, ...send })), { shows: shown });
  };
  const order = (ids: number[]) => {
    const params = of();
    const shown = ofPictures((all) => [...all].sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id)));
    return step((send) => ask(api.PUT(`${at}/order`, { params, body: { ids }, ...send })), { shows: shown });
  };
  /** Each gets the values that its file name speaks of. */
  async function takeProposed(): Promise<void> {
    for (const picture of proposed.value) await change([picture.id], { values: picture.proposed });
  }

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

  const seen = { view, pictures, waiting, chosen, one, many, proposed, problem, overtaken, pending };
  return { ...seen, load, stepThenRead, change, remove, order, takeProposed, choose };
}
export type PicturesControl = ReturnType<typeof usePictures>;
