import { onMounted, shallowRef } from "vue";
import { type Schemas, api, ask } from "../../api/client";

const media = shallowRef<Schemas["MediaView"][]>([]);

/** The shop's free pictures and films. */
export function useMedia() {
  onMounted(async () => {
    const { data } = await ask(api.GET("/api/media"));
    if (data) media.value = data;
  });
  return media;
}
