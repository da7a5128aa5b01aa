<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useRouter } from "vue-router";
import type { ApiError, Schemas } from "../../api/client";
import { useVisit } from "../../ui/visit/useVisit";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { useDesk } from "../desk/deskStore";
import ChangedPages from "./ChangedPages.vue";
import PublishBar from "./PublishBar.vue";
import TurnList from "../templates/TurnList.vue";
import { type WayTold, useImpact } from "./useImpact";
import { say } from "../../words";

/** The pages that publishing a template's draft changes. */
const props = defineProps<{ id: number }>();
const desk = useDesk();
const router = useRouter();
const visit = useVisit();
const { ways, ...impact } = useImpact<Schemas["WayTold"]>(
  () => `/api/templates/${props.id}/impact`,
  (way) => way.mend.length,
  { cards: () => desk.onCard },
);
const failed = ref<ApiError | null>(null);
const chosen = ref<string[]>([]);

watch(
  () => props.id,
  async (id) => {
    await desk.open(id);
    await impact.search();
  },
  { immediate: true },
);
const told = computed((): WayTold[] => ways.value.map(({ number, impact: way, pages }) => ({ number, ...way, pages })));
async function published(): Promise<void> {
  await router.push({ name: "desk", params: { id: props.id } });
}
</script>

<template>
  <ChangedPages
    v-model:chosen="chosen"
    :impact="impact"
    :ways="told"
    :none="desk.onCard ? say('changes-view-no-card-changes-what') : say('changes-view-no-page-changes-what')"
    :cards="desk.onCard"
    :after="`/api/templates/${id}/proof`"
    :visit="visit"
  >
    <template #of>
      <router-link :to="{ name: 'desk', params: { id } }">{{ desk.view?.name }}</router-link>
    </template>
    <template #publish>
      <PublishBar
        :chosen="chosen"
        :count="impact.count.value"
        @done="published"
        @problem="(error) => (failed = error)"
      />
    </template>
    <template #note>
      <ProblemNote :problem="failed" />
      <TurnList :turns="desk.view?.ahead ?? []" />
    </template>
  </ChangedPages>
</template>
