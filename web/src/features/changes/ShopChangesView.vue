<script setup lang="ts">
import { computed, onMounted, ref } from "vue";
import { type RouteLocationRaw, useRouter } from "vue-router";
import { type Answer, type ApiError, type Schemas, api, ask } from "../../api/client";
import { draftCalls } from "../../session/useDraft";
import { useVisit } from "../../ui/visit/useVisit";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ChangedPages from "./ChangedPages.vue";
import { type WayTold, useImpact } from "./useImpact";
import { say } from "../../words";

/** The pages that a change changes which isn't a template's: of the house style, or of the price rules. */
const props = defineProps<{ what: "house" | "prices" }>();
const router = useRouter();
const HOUSE = {
  name: say("shop-changes-view-house-style"),
  back: { name: "house-style" } as RouteLocationRaw,
  note: say("shop-changes-view-listings-cart-checkout-dressed"),
};
const PRICES = {
  name: say("shop-changes-view-prices"),
  back: { name: "prices" } as RouteLocationRaw,
  note: say("shop-changes-view-moment-rules-planned-take"),
};
const here = computed(() => (props.what === "house" ? HOUSE : PRICES));
const visit = useVisit();
const { ways, ...impact } = useImpact<Schemas["WayTold"]>(
  () => `/api/${props.what}/changes`,
  (way) => (way.near ? -1 : way.mend.length),
  { visit },
);
const told = computed((): WayTold[] => ways.value.map(({ number, impact: way, pages }) => ({ number, ...way, pages })));
const draft = ref<{ revision: number; changes_not_live: number } | null>(null);
const failed = ref<ApiError | null>(null);
const waits = computed(() => (draft.value?.changes_not_live ?? 0) > 0);

async function read(): Promise<Answer<{ revision: number; changes_not_live: number }>> {
  return props.what === "house" ? ask(api.GET("/api/house")) : ask(api.GET("/api/prices"));
}
onMounted(async () => {
  const { data, error } = await read();
  draft.value = data ?? null;
  failed.value = error ?? null;
  await impact.search();
});
async function publish(): Promise<void> {
  if (!draft.value) return;
  const { error } = await draftCalls(props.what).publish(draft.value.revision);
  failed.value = error ?? null;
  if (!error) await router.push(here.value.back);
}
</script>

<template>
  <ChangedPages
    :impact="impact"
    :ways="told"
    :none="waits ? say('shop-changes-view-no-page-changes-now') : say('shop-changes-view-nothing-waits-published')"
    :after="`/api/${what}/changes/page`"
    :visit="visit"
  >
    <template #of>
      <router-link :to="here.back">{{ here.name }}</router-link>
    </template>
    <template #publish>
      <span class="soft">{{ here.note }}</span>
      <v-btn variant="flat" color="primary" :disabled="!waits" data-test="publish" @click="publish">{{
        say("shop-changes-view-publish")
      }}</v-btn>
    </template>
    <template #note><ProblemNote :problem="failed" /></template>
  </ChangedPages>
</template>
