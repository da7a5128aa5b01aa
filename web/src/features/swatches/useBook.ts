import { computed, ref, shallowRef } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import { type Call, type Turn, asSeen, useSteps } from "../../session/useSteps";
import { say } from "../../words";

export type OptionLine = Schemas["OptionLine"];
export type BookOption = Schemas["OptionInBook"];
export type BookValue = Schemas["ValueInBook"];
export type SwatchFile = Schemas["SwatchFileView"];
export type Swatch = Schemas["Swatch"];
export type Way = Schemas["Way"];
export type OptionUser = Schemas["OptionUser"];
type Change = Schemas["ChangeOption"];
type ValueChange = Omit<Schemas["ChangeValues"], "ids">;
type Settled = Schemas["Settled"];

/** The swatch book: every option, the one that is open, and every change of it, one after another. */
export function useBook(handle: () => string | undefined) {
  const lines = shallowRef<OptionLine[]>([]);
  const loading = ref(true);
  const chosen = ref<number[]>([]);
  const at = "/api/options/{handle}" as const;
  const path = (): { path: { handle: string } } => ({ path: { handle: open.value } });
  /** The option that is open, or is being opened. */
  const open = ref("");
  const steps = useSteps<BookOption>(
    () => ({ thing: `option/${open.value}`, called: say("book-swatch-book") }),
    () => ask(api.GET(at, { params: path() })),
    (now) => {
      keepChosen(now);
      void loadLines();
    },
  );
  const { view: option, problem, overtaken, step, turn, put } = steps;

  const values = computed(() => option.value?.values ?? []);
  const many = computed(() => values.value.filter((value) => chosen.value.includes(value.id)));

  function keepChosen(now: BookOption): void {
    chosen.value = chosen.value.filter((id) => now.values.some((value) => value.id === id));
  }
  function show(now: BookOption): void {
    open.value = now.handle;
    put(now);
    keepChosen(now);
  }
  let linesAsked = 0;
  async function loadLines(): Promise<void> {
    const mine = (linesAsked += 1);
    const { data, error } = await ask(api.GET("/api/options"));
    if (mine !== linesAsked) return;
    if (data) lines.value = data;
    else problem.value = error ?? null;
  }
  /** The option that an address names, or the first. */
  async function load(): Promise<void> {
    await loadLines();
    const wanted = handle() || lines.value[0]?.handle;
    if (wanted !== open.value) chosen.value = [];
    open.value = wanted ?? "";
    if (wanted !== undefined) await steps.load();
    loading.value = false;
  }
  /** Takes a step that may be about any option, and reads the book anew. */
  async function stepThenRead(call: Call<unknown>, back: Turn): Promise<boolean> {
    const done = await steps.stepThenRead(call, back);
    if (done) await load();
    return done;
  }

  const ofValues = (shown: (all: BookValue[]) => BookValue[]) => (now: BookOption) => ({
    ...now,
    values: shown(now.values),
  });
  const change = (body: Change) => {
    const params = path();
    const shown = (now: BookOption): BookOption => ({ ...now, ...given(body) });
    return step((send) => ask(api.PATCH(at, { params, body, ...send })), { shows: shown });
  };
  const changeValues = (ids: number[], wanted: ValueChange) => {
    const params = path();
    const { name, note, swatch } = wanted;
    const shown = ofValues((all) =>
      all.map((one) => (ids.includes(one.id) ? { ...one, ...given({ name, note, swatch }) } : one)),
    );
    return step((send) => ask(api.PATCH(`${at}/values`, { params, body: { ids, ...wanted }, ...send })), {
      shows: shown,
    });
  };
  /** Adds an option and opens it; nothing where it can't be. */
  async function addOption(name: string): Promise<string | null> {
    const { data, error } = await ask(api.POST("/api/options", { body: { name } }));
    problem.value = error ?? null;
    if (!data) return null;
    show(data);
    await loadLines();
    return data.handle;
  }
  const addValue = (name: string) => {
    const params = path();
    return step((send) => ask(api.POST(`${at}/values`, { params, body: { name }, ...send })));
  };
  const settle = (body: Settled[]) => {
    const params = path();
    return step((send) => ask(api.PUT(`${at}/files`, { params, body, ...send })));
  };
  const removeFiles = (ids: number[]) => {
    const params = path();
    return step((send) => ask(api.DELETE(`${at}/files`, { params, body: { ids }, ...send })));
  };
  /** Sets the squares of files as their values' swatches. */
  async function showFiles(files: { value: number; hash: string }[]): Promise<void> {
    for (const { value, hash } of files) await changeValues([value], { swatch: { kind: "picture", hash } });
  }
  /** Gives a product its own swatch for a value, or lets it rejoin the book. */
  const setOwn = (product: string, value: number, swatch: Swatch | null, why = "") => {
    const params = path();
    return step((send) => ask(api.PUT(`${at}/own`, { params, body: { product, value, swatch, why }, ...send })));
  };
  /** Every product that uses the open option. */
  async function users(): Promise<OptionUser[]> {
    const { data, error } = await ask(api.GET(`${at}/products`, { params: path() }));
    if (error) problem.value = error;
    return data ?? [];
  }
  const removeValue = (value: number) => {
    const params = { path: { ...path().path, value } };
    const shown = ofValues((all) => all.filter((one) => one.id !== value));
    return step((send) => ask(api.DELETE(`${at}/values/{value}`, { params, ...send })), { shows: shown });
  };
  /** Takes the open option away. */
  const removeOption = () => {
    const params = path();
    const seen = asSeen(option.value?.seen);
    return turn(() => ask(api.DELETE(at, { params, ...seen })));
  };
  const removeCloser = (value: number) => {
    const params = { path: { ...path().path, value } };
    return step((send) => ask(api.DELETE(`${at}/values/{value}/closer`, { params, ...send })));
  };
  const takeFrom = (ids: number[], what: Schemas["Take"]) => {
    const params = path();
    return step((send) => ask(api.POST(`${at}/take`, { params, body: { ids, take: what }, ...send })));
  };

  const seen = { lines, option, values, many, chosen, problem, overtaken, loading };
  return {
    ...seen,
    load,
    stepThenRead,
    loadLines,
    show,
    change,
    changeValues,
    addOption,
    addValue,
    settle,
    removeFiles,
    showFiles,
    setOwn,
    users,
    removeCloser,
    removeValue,
    removeOption,
    takeFrom,
  };
}

/** What is given of a change; the rest stays as it is. */
function given<T extends object>(change: T): { [K in keyof T]: NonNullable<T[K]> } {
  const pairs = Object.entries(change).filter(([, value]) => value !== null && value !== undefined);
  return Object.fromEntries(pairs) as { [K in keyof T]: NonNullable<T[K]> };
}
export type BookControl = ReturnType<typeof useBook>;
