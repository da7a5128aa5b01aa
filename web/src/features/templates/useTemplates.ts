import { computed, ref } from "vue";
import { type Answer, type ApiError, type Schemas, api, ask } from "../../api/client";

export type Template = Schemas["TemplateView"];
export type TypeReached = Schemas["TypeReached"];
export type TemplatesView = Schemas["TemplatesView"];
export type Reach = Schemas["Reach"];
export type Moving = Schemas["Moving"];
export type Shifted = Schemas["Shifted"];
export type Served = Schemas["ServedProduct"];

export type Purpose = Schemas["Purpose"];
export type CardPlace = Schemas["CardPlace"];

/** Templates of pages, or of cards, and the types they serve. */
export function useTemplates(purpose: () => Purpose) {
  const view = ref<TemplatesView>({
    arrangement: 0,
    templates: [],
    types: [],
    tags: [],
    named: [],
    currency: "GBP",
    decimals: 2,
    away: [],
  });
  const problem = ref<ApiError | null>(null);
  const loading = ref(true);

  async function load(): Promise<void> {
    loading.value = true;
    const { data, error } = await ask(api.GET("/api/templates", { params: { query: { purpose: purpose() } } }));
    problem.value = error ?? null;
    if (data) view.value = data;
    loading.value = false;
  }

  /** Where somebody else has arranged the templates otherwise, they are shown so, and the next try counts. */
  async function lookAgain(error?: ApiError): Promise<void> {
    if (error?.code === "rearranged") await load();
  }

  async function save(id: number, name: string, reach: Reach): Promise<ApiError | null> {
    const { arrangement } = view.value;
    const call = api.PUT("/api/templates/{id}", { params: { path: { id } }, body: { arrangement, name, reach } });
    const { data, error } = await ask(call);
    if (data) view.value = data;
    else await lookAgain(error);
    return error ?? null;
  }

  /** What moving something changes; done unless it is only tried. */
  async function shift(moving: Moving, dry: boolean): Promise<Answer<Shifted>> {
    const { arrangement } = view.value;
    const answer = await ask(api.POST("/api/templates/shift", { body: { arrangement, ...moving, dry } }));
    if (answer.data?.templates) view.value = answer.data.templates;
    else await lookAgain(answer.error);
    return answer;
  }

  /** Adds a template, empty or a copy of another; gives its number. */
  async function add(name: string, from?: number): Promise<number | null> {
    const { data, error } = await ask(
      api.POST("/api/templates", { body: { name, purpose: purpose(), ...(from ? { from } : {}) } }),
    );
    problem.value = error ?? null;
    if (data) view.value = data.templates;
    return data?.id ?? null;
  }

  /** Brings a template in from a file. */
  async function bring(file: File): Promise<Answer<Schemas["BroughtIn"]>> {
    const call = api.POST("/api/templates/file", {
      body: file as unknown as string,
      bodySerializer: (body: unknown) => body as Blob,
      headers: { "content-type": "application/octet-stream" },
    });
    const answer = await ask(call);
    if (answer.data) view.value = answer.data.templates;
    return answer;
  }

  const names = computed(() => new Map(view.value.templates.map((t) => [t.id, t.name])));
  return { view, names, problem, loading, load, save, shift, add, bring };
}
