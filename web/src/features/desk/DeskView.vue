<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, onBeforeUnmount, provide, ref, watch } from "vue";
import { onBeforeRouteLeave, useRouter } from "vue-router";
import NoticeNote from "../../ui/notes/NoticeNote.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { listed } from "../../ui/keys/keys";
import { useTitle } from "../../ui/useTitle";
import TurnList from "../templates/TurnList.vue";
import ClashDialog from "./ClashDialog.vue";
import DeskHead from "./DeskHead.vue";
import DeskFoot from "./DeskFoot.vue";
import ProofPane from "./ProofPane.vue";
import RunningOrder from "./RunningOrder.vue";
import SituationStrip from "./SituationStrip.vue";
import SlipPanel from "./slip/SlipPanel.vue";
import { useDesk } from "./deskStore";
import { CLIPBOARD, MOVES, SHEET } from "./keys";
import { DEVICES, type Shown } from "./types";
import { useClipboard } from "./useClipboard";
import { useKeys } from "./useKeys";
import { useMoves } from "./useMoves";
import { usePresence } from "./usePresence";
import { useProofs } from "./useProofs";
import { useScopeEnds } from "./useScope";
import { useSituation } from "./useSituation";
import { say } from "../../words";

const StartersDialog = defineAsyncComponent(() => import("./StartersDialog.vue"));
const DeparturesDialog = defineAsyncComponent(() => import("./DeparturesDialog.vue"));
const HistoryDialog = defineAsyncComponent(() => import("./HistoryDialog.vue"));
const PreviewDialog = defineAsyncComponent(() => import("./PreviewDialog.vue"));

const props = defineProps<{ id: number; product?: string | undefined }>();
const desk = useDesk();
const router = useRouter();
const moves = useMoves();
useScopeEnds();
provide(MOVES, moves);
provide(SHEET, moves);
provide(CLIPBOARD, useClipboard(moves));
const { looks } = usePresence();
const situation = useSituation(() => props.product, looks);
const { html, boxes, report } = useProofs(situation.proofAddress, looks);
const shown = ref<Shown>("both");
watch(shown, (which) => {
  desk.alone = DEVICES.find((one) => one === which) ?? null;
  desk.pointed = null;
});
onBeforeUnmount(() => (desk.alone = null));
const adding = ref(false);
const finding = ref(false);
const findingSetting = ref(false);
const slip = ref<InstanceType<typeof SlipPanel> | null>(null);
const open = ref<"starters" | "departures" | "history" | "preview" | null>(null);

watch(
  () => props.id,
  (id) => void desk.open(id, props.product),
  { immediate: true },
);
// Whoever is on their way elsewhere isn't called back by an address for what has just loaded here.
let leaving = false;
onBeforeRouteLeave(() => {
  leaving = true;
});
watch(situation.product, (product) => {
  if (product && product !== props.product && !leaving) void router.replace({ query: { product } });
});

async function addBand(): Promise<void> {
  if (desk.onCard) return;
  moves.addBand([7, 5]);
  await nextTick();
}

useTitle(() => desk.view?.name);
const press = useKeys({
  walk: moves.walk,
  step: moves.step,
  add: () => (adding.value = true),
  addBand: () => void addBand(),
  copy: moves.copy,
  remove: moves.remove,
  undo: () => desk.draft?.can_undo && void desk.undo(),
  redo: () => desk.draft?.can_redo && void desk.redo(),
  leaf: situation.leaf,
  show: (which) => (shown.value = which),
  find: () => (finding.value = true),
  setting: () => (findingSetting.value = true),
  into: (writes) => slip.value?.enter(writes),
  letGo: () => moves.choose(null),
});

function backToOrder(): void {
  document.querySelector<HTMLElement>(".order .chosen .what")?.focus();
}

/** Whether there is a product whose page it is. */
const seen = computed(() => (desk.view?.serves ?? 0) > 0);
/** What its dates will change. */
const ahead = computed(() => desk.view?.ahead ?? []);

function lookAt(product: string): void {
  void situation.look(product);
  shown.value = "both";
}
</script>

<template>
  <main class="desk">
    <DeskHead v-if="desk.view && desk.draft" :facts="situation.facts.value" @open="(what) => (open = what)" />
    <ProblemNote class="problem" :problem="desk.problem" @retry="() => desk.open(id, product)" />
    <NoticeNote v-if="desk.notice" class="notice" @understood="desk.notice = null">
      <span>{{ desk.notice }}</span>
    </NoticeNote>
    <NoticeNote v-if="desk.published" class="notice" @understood="desk.published = false">
      <span v-if="seen">{{ say("desk-view-published-shoppers-see-now") }}</span>
      <span v-else-if="ahead.length">{{ say("desk-view-published-nobody-sees-yet") }}</span>
      <span v-else>
        {{ say("desk-view-published-but-nobody-sees") }}
        <router-link :to="{ name: 'templates' }">{{ say("desk-view-give-some") }}</router-link>
      </span>
      <TurnList :turns="ahead" />
      <button class="quiet" @click="desk.takeBack">{{ say("desk-view-take-back") }}</button>
    </NoticeNote>
    <div v-if="desk.view && desk.draft" class="halves">
      <section class="left">
        <RunningOrder
          v-model:adding="adding"
          v-model:finding="finding"
          :boxes="boxes"
          :facts="situation.facts.value"
          @starters="open = 'starters'"
        />
        <SlipPanel
          ref="slip"
          v-model:finding="findingSetting"
          :facts="situation.facts.value"
          :tablet="shown === 'tablet'"
          @out="backToOrder"
        />
      </section>
      <section class="right">
        <SituationStrip :situation="situation" />
        <ProofPane
          v-model:shown="shown"
          :html="html"
          :situation="situation"
          @boxes="report"
          @picked="(choice) => (situation.choice.value = choice)"
          @press="press"
          @look="lookAt"
        />
        <DeskFoot :boxes="boxes" :facts="situation.facts.value" @help="listed = true" />
      </section>
    </div>
    <ClashDialog />
    <StartersDialog v-if="open === 'starters'" :situation="situation" @close="open = null" />
    <DeparturesDialog v-if="open === 'departures'" @look="situation.look" @close="open = null" />
    <HistoryDialog v-if="open === 'history'" :situation="situation" @close="open = null" />
    <PreviewDialog v-if="open === 'preview'" :product="situation.product.value ?? ''" @close="open = null" />
  </main>
</template>

<style scoped>
.desk {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - var(--top));
  min-height: 560px;
}
.problem {
  margin: 8px 14px;
}
.notice {
  margin: 8px 14px;
}
.halves {
  display: grid;
  flex: 1;
  grid-template-columns: 340px minmax(0, 1fr);
  min-height: 0;
}
.left {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: minmax(134px, 1fr) minmax(160px, min(var(--slip, 70%), 100% - 134px));
  min-height: 0;
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
.right {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  min-height: 0;
}
@media (max-width: 900px) {
  .desk {
    height: auto;
  }
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .left {
    grid-template-rows: auto auto;
    border-right: 0;
  }
  .right {
    grid-row: 1;
    height: 70dvh;
  }
}
</style>
