import { onMounted, ref, shallowRef } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";

const media = shallowRef<Schemas["MediaView"][]>([]);

/** The shop's own pictures and films; `load` looks for new ones. */
export function useMedia() {
  const problem = ref<ApiError | null>(null);
  async function load(): Promise<void> {
    const { data, error } = await ask(api.GET("/api/media"));
    problem.value = error ?? null;
    if (data) media.value = data;
  }
  onMounted(load);
  return { media, load, problem };
}
