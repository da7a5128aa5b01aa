<script setup lang="ts">
import { ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import TakeAway from "../../ui/TakeAway.vue";
import type { BookControl, BookValue } from "./useBook";
import { say } from "../../words";

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
  <button class="quiet" @click="open = true">{{ say("value-away-take-away", { name: value.name }) }}</button>
  <TakeAway v-model="open" :what="value.name" @taken="take">
    <li v-if="problem" class="signal" role="alert">
      {{ say("value-away-what-goes-along-cant", { message: problem.message }) }}
    </li>
    <li v-if="hanging?.products">
      {{ say("value-away-products-offer-no-longer", { products: hanging.products }) }}
    </li>
    <li v-if="hanging?.variants">
      {{ say("value-away-variants-have-go-out", { variants: hanging.variants }) }}
    </li>
    <li v-if="hanging && hanging.products === 0">{{ say("value-away-no-product-offers") }}</li>
  </TakeAway>
</template>
