<script setup lang="ts">
import { ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import TakeAway from "../../ui/TakeAway.vue";
import type { BookControl, BookValue } from "./useBook";

/** Takes a value away, once it is told what goes along. */
const props = defineProps<{ book: BookControl; value: BookValue }>();
const open = ref(false);
const hanging = ref<Schemas["HangingOnValue"] | null>(null);
const problem = ref<ApiError | null>(null);
watch(open, async (now) => {
  if (!now) return;
  const path = { handle: props.book.option.value?.handle ?? "", value: props.value.id };
  const { data, error } = await ask(api.GET("/api/options/{handle}/values/{value}/hanging", { params: { path } }));
  [hanging.value, problem.value] = [data ?? null, error ?? null];
});
async function take(): Promise<void> {
  open.value = false;
  await props.book.removeValue(props.value.id);
}
</script>

<template>
  <button class="quiet" @click="open = true">Take {{ value.name }} away …</button>
  <TakeAway v-model="open" :what="value.name" @taken="take">
    <li v-if="problem" class="signal" role="alert">What goes along can't be told now. {{ problem.message }}</li>
    <li v-if="hanging?.products">
      {{ hanging.products === 1 ? "1 product offers" : `${hanging.products} products offer` }} it no longer.
    </li>
    <li v-if="hanging?.variants">
      {{ hanging.variants === 1 ? "1 variant has it and goes" : `${hanging.variants} variants have it and go` }} with
      it, out of every cart too.
    </li>
    <li v-if="hanging && hanging.products === 0">No product offers it.</li>
  </TakeAway>
</template>
