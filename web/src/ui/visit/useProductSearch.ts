import { type Ref, ref, watch } from "vue";
import { api, ask } from "../../api/client";

interface Named {
  handle: string;
  name: string;
}

/** Products by their names, found while one types; those that are picked stay among them. */
export function useProductSearch(picked: Ref<string[]>, named: Named[] = []) {
  const typed = ref("");
  const found = ref<Named[]>([...named]);

  watch(
    typed,
    async (find) => {
      const { data } = await ask(api.GET("/api/templates/served", { params: { query: { find } } }));
      if (!data || find !== typed.value) return;
      const known = found.value.filter((one) => picked.value.includes(one.handle));
      found.value = [...known, ...data.products.filter((one) => !picked.value.includes(one.handle))];
    },
    { immediate: true },
  );
  return { typed, found };
}
