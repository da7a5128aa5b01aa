import { computed, ref, shallowRef } from "vue";
import { type Answer, type Schemas, api, ask } from "../../api/client";
import { asSeen, useSteps } from "../../session/useSteps";

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
  const path = (): { path: { handle: string } } => ({ path: { handle: option.value?.handle ?? "" } });
  const steps = useSteps<BookOption>(
    () => ask(api.GET(at, { params: path() })),
    async (now) => {
      keepChosen(now);
      await loadLines();
    },
  );
  const { view: option, problem, overtaken, take, turn } = steps;

  const values = computed(() => option.value?.values ?? []);
  const many = computed(() => values.value.filter((value) => chosen.value.includes(value.id)));

  function keepChosen(now: BookOption): void {
    chosen.value = chosen.value.filter((id) => now.values.some((value) => value.id === id));
  }
  function show(now: BookOption): void {
    option.value = now;
    keepChosen(now);
  }
  async function loadLines(): Promise<void> {
    const { data, error } = await ask(api.GET("/api/options"));
    if (data) lines.value = data;
    else problem.value = error ?? null;
  }
  /** The option that an address names, or the first. */
  async function load(): Promise<void> {
    await loadLines();
    const wanted = handle() || lines.value[0]?.handle;
    if (wanted !== option.value?.handle) chosen.value = [];
    if (wanted !== undefined) await take(() => ask(api.GET(at, { params: { path: { handle: wanted } } })));
    loading.value = false;
  }
  /** Does something in its turn that may be about any option, and reads the book anew. */
  async function after(first: () => Promise<Answer<unknown>>): Promise<boolean> {
    const done = await turn(first);
    if (done) await load();
    return done;
  }

  const change = (body: Change) => {
    const params = path();
    return take((seen) => ask(api.PATCH(at, { params, body, ...seen })));
  };
  const changeValues = (ids: number[], wanted: ValueChange) => {
    const params = path();
    return take((seen) => ask(api.PATCH(`${at}/values`, { params, body: { ids, ...wanted }, ...seen })));
  };
  /** Adds an option and opens it; nothing where it can't be. */
  async function addOption(name: string): Promise<string | null> {
    await take((seen) => ask(api.POST("/api/options", { body: { name }, ...seen })));
    return problem.value ? null : (option.value?.handle ?? null);
  }
  const addValue = (name: string) => {
    const params = path();
    return take((seen) => ask(api.POST(`${at}/values`, { params, body: { name }, ...seen })));
  };
  const settle = (body: Settled[]) => {
    const params = path();
    return take((seen) => ask(api.PUT(`${at}/files`, { params, body, ...seen })));
  };
  const removeFiles = (ids: number[]) => {
    const params = path();
    return take((seen) => ask(api.DELETE(`${at}/files`, { params, body: { ids }, ...seen })));
  };
  /** Sets the squares of files as their values' swatches. */
  async function showFiles(files: { value: number; hash: string }[]): Promise<void> {
    for (const { value, hash } of files) await changeValues([value], { swatch: { kind: "picture", hash } });
  }
  /** Gives a product its own swatch for a value, or lets it rejoin the book. */
  const setOwn = (product: string, value: number, swatch: Swatch | null, why = "") => {
    const params = path();
    return take((seen) => ask(api.PUT(`${at}/own`, { params, body: { product, value, swatch, why }, ...seen })));
  };
  /** Every product that uses the open option. */
  async function users(): Promise<OptionUser[]> {
    const { data, error } = await ask(api.GET(`${at}/products`, { params: path() }));
    if (error) problem.value = error;
    return data ?? [];
  }
  const removeValue = (value: number) => {
    const params = { path: { ...path().path, value } };
    return take((seen) => ask(api.DELETE(`${at}/values/{value}`, { params, ...seen })));
  };
  /** Takes the open option away. */
  const removeOption = () => {
    const params = path();
    const seen = asSeen(option.value?.seen);
    return turn(() => ask(api.DELETE(at, { params, ...seen })));
  };
  const removeCloser = (value: number) => {
    const params = { path: { ...path().path, value } };
    return take((seen) => ask(api.DELETE(`${at}/values/{value}/closer`, { params, ...seen })));
  };
  const takeFrom = (ids: number[], what: Schemas["Take"]) => {
    const params = path();
    return take((seen) => ask(api.POST(`${at}/take`, { params, body: { ids, take: what }, ...seen })));
  };

  const seen = { lines, option, values, many, chosen, problem, overtaken, loading };
  return {
    ...seen,
    load,
    after,
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
export type BookControl = ReturnType<typeof useBook>;
