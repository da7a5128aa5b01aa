import { type Ref, ref, watch } from "vue";
import { type ApiError, api, ask } from "../../api/client";

interface Named {
  handle: string;
  name: string;
}

/** Products by their names, found while one types; those that are picked stay among them. */
export function useProductSearch(picked: Ref<string[]>, named: Named[] = []) {
  const typed = ref("");
  const found = ref<Named[]>([...named]);
  const problem = ref<ApiError | null>(null);

  watch(
    typed,
    async (find) => {
      const { data, error } = await ask(api.GET("/api/templates/served", { params: { query: { find } } }));
      if (find !== typed.value) return;
      problem.value = error ?? null;
      if (!data) return;
      const known = found.value.filter((one) => picked.value.includes(one.handle));
      found.value = [...known, ...data.products.filter((one) => !picked.value.includes(one.handle))];
    },
    { immediate: true },
  );
  return { typed, found, problem };
}
