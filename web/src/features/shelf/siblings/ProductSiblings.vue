<script setup lang="ts">
import { ref, shallowRef } from "vue";
import { type ApiError, api, ask } from "../../../api/client";
import ProblemNote from "../../../ui/notes/ProblemNote.vue";
import { say } from "../../../words";
import type { ShelfProduct } from "../useShelf";
import SiblingsDialog from "./SiblingsDialog.vue";
import type { SeenSet } from "./useSiblings";

/** The sets in which a product stands, each with the way to change it. */
const props = defineProps<{ product: ShelfProduct }>();
const emit = defineEmits<{ changed: [] }>();
const open = shallowRef<SeenSet | null>(null);
const problem = ref<ApiError | null>(null);
async function show(id: number): Promise<void> {
  const params = { path: { handle: props.product.handle } };
  const { data, error } = await ask(api.GET("/api/products/{handle}/siblings", { params }));
  problem.value = error ?? null;
  if (!data) return;
  const set = data.sets.find((one) => one.id === id);
  open.value = set ? { product: props.product.handle, seen: data.seen, set } : null;
  // Somebody has parted them meanwhile.
  if (!open.value) emit("changed");
}
</script>

<template>
  <button
    v-for="set in product.siblings"
    :key="set.id"
    type="button"
    class="quiet"
    :title="set.name"
    :aria-label="say('product-siblings-of', { product: product.name, name: set.name, count: set.count })"
    @click="show(set.id)"
  >
    {{ say("product-siblings-one", { count: set.count }) }}
  </button>
  <ProblemNote :problem="problem" />
  <SiblingsDialog v-if="open" :of="open" @close="open = null" @changed="emit('changed')" />
</template>

<style scoped>
button {
  min-height: 24px;
  padding: 0;
  color: var(--soft);
  font-size: 12px;
}
button:hover {
  color: var(--accent);
}
</style>
