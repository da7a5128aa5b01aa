import { computed, ref } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";

export type Template = Schemas["TemplateView"];
export type TypeReached = Schemas["TypeReached"];

/** Templates and the types they serve. */
export function useTemplates() {
  const view = ref<Schemas["TemplatesView"]>({ templates: [], types: [] });
  const problem = ref<ApiError | null>(null);
  const loading = ref(true);

  async function load(): Promise<void> {
    loading.value = true;
    const { data, error } = await ask(api.GET("/api/templates"));
    problem.value = error ?? null;
    if (data) view.value = data;
    loading.value = false;
  }

  async function save(id: number, name: string, reach: Schemas["Reach"]): Promise<ApiError | null> {
    const call = api.PUT("/api/templates/{id}", { params: { path: { id } }, body: { name, reach } });
    const { data, error } = await ask(call);
    if (data) view.value = data;
    return error ?? null;
  }

  /** Adds an empty template; gives its number. */
  async function add(name: string): Promise<number | null> {
    const { data, error } = await ask(api.POST("/api/templates", { body: { name } }));
    problem.value = error ?? null;
    if (data) view.value = data.templates;
    return data?.id ?? null;
  }

  const names = computed(() => new Map(view.value.templates.map((t) => [t.id, t.name])));
  return { view, names, problem, loading, load, save, add };
}
