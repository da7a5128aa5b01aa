import { onMounted, shallowRef } from "vue";
import { type Schemas, api, ask } from "../../api/client";

const media = shallowRef<Schemas["MediaView"][]>([]);

/** The shop's own pictures and films; `load` looks for new ones. */
export function useMedia() {
  async function load(): Promise<void> {
    const { data } = await ask(api.GET("/api/media"));
    if (data) media.value = data;
  }
  onMounted(load);
  return { media, load };
}
