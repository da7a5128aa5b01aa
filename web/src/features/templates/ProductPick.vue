<script setup lang="ts">
import { ref, watch } from "vue";
import { api, ask } from "../../api/client";

/** Products by their names, found while one types. */
const picked = defineModel<string[]>({ required: true });
const props = defineProps<{ label: string; named: { handle: string; name: string }[] }>();
const typed = ref("");
const found = ref<{ handle: string; name: string }[]>([...props.named]);

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
</script>

<template>
  <v-autocomplete
    v-model="picked"
    v-model:search="typed"
    :items="found"
    item-value="handle"
    item-title="name"
    :label="label"
    multiple
    chips
    closable-chips
    no-filter
    hide-details
  />
</template>
