<script setup lang="ts">
import { mdiPlus } from "@mdi/js";
import { computed, onMounted, ref, watch } from "vue";
import { useRouter } from "vue-router";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ColourList from "../../ui/ColourList.vue";
import { useVisit } from "../../ui/visit/useVisit";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { MOST_COLOURS } from "../swatches/words";
import ChangedPages from "./ChangedPages.vue";
import { type WayTold, useImpact } from "./useImpact";
import { say } from "../../words";

/** The pages that another swatch of one value changes, tried before it is kept. */
const props = defineProps<{ handle: string; value: number }>();
const router = useRouter();
const path = { path: { handle: props.handle } };
const back = { name: "swatch-book", params: { handle: props.handle } };
const name = ref("");
const was = ref<string[]>([]);
const colours = ref<string[]>([]);
const failed = ref<ApiError | null>(null);
const first = ref<{ handle: string; name: string } | null>(null);

const swatch = computed((): Schemas["Swatch"] => ({ kind: "colours", colours: colours.value }));
const at = computed(() => `/api/options/${props.handle}/values/${props.value}/changes`);
const tried = computed(() => new URLSearchParams({ swatch: JSON.stringify(swatch.value) }).toString());
const differs = computed(() => colours.value.join() !== was.value.join());
const visit = useVisit();
const { ways, ...impact } = useImpact<Schemas["WayTold"]>(
  () => `${at.value}?${tried.value}`,
  (way) => (way.near ? -1 : way.mend.length),
  { visit },
);
const told = computed((): WayTold[] => ways.value.map(({ number, impact: way, pages }) => ({ number, ...way, pages })));

onMounted(async () => {
  const [{ data, error }, users] = await Promise.all([
    ask(api.GET("/api/options/{handle}", { params: path })),
    ask(api.GET("/api/options/{handle}/products", { params: path })),
  ]);
  failed.value = error ?? users.error ?? null;
  const user = users.data?.find((one) => one.values.includes(props.value));
  first.value = user ? { handle: user.product, name: user.name } : null;
  const value = data?.values.find((one) => one.id === props.value);
  name.value = value?.name ?? "";
  was.value = value?.swatch.kind === "colours" ? value.swatch.colours : [];
  colours.value = was.value.length ? [...was.value] : [value?.proposed ?? "#8A8A8A"];
});
watch(colours, impact.search);

async function keep(): Promise<void> {
  const body = { ids: [props.value], swatch: swatch.value };
  const { error } = await ask(api.PATCH("/api/options/{handle}/values", { params: path, body }));
  failed.value = error ?? null;
  if (!error) await router.push(back);
}
</script>

<template>
  <ChangedPages
    :impact="impact"
    :ways="told"
    :first="first"
    :none="
      differs ? say('swatch-changes-view-no-page-shows-value') : say('swatch-changes-view-choose-other-colours-pages')
    "
    :after="`${at}/page?${tried}`"
    :visit="visit"
  >
    <template #of>
      <router-link :to="back">{{ name }}</router-link>
    </template>
    <template #publish>
      <div class="colours" role="group" :aria-label="say('swatch-changes-view-colours-tried')">
        <ColourList v-model="colours" name="tried" />
        <button
          v-if="colours.length < MOST_COLOURS"
          class="tool"
          :aria-label="say('swatch-changes-view-another-colour')"
          :title="say('swatch-changes-view-another-colour')"
          @click="colours = [...colours, '#8A8A8A']"
        >
          <v-icon :icon="mdiPlus" size="14" />
        </button>
      </div>
      <v-btn variant="flat" color="primary" :disabled="!differs" data-test="publish" @click="keep">{{
        say("swatch-changes-view-publish")
      }}</v-btn>
    </template>
    <template #note><ProblemNote :problem="failed" /></template>
  </ChangedPages>
</template>

<style scoped>
.colours {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
