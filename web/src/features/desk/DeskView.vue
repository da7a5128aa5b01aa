<script setup lang="ts">
import { provide, ref, watch } from "vue";
import { useRouter } from "vue-router";
import ProblemNote from "../../ui/ProblemNote.vue";
import DeskHead from "./DeskHead.vue";
import DeskFoot from "./DeskFoot.vue";
import KeysDialog from "./KeysDialog.vue";
import ProofPane from "./ProofPane.vue";
import RunningOrder from "./RunningOrder.vue";
import SituationStrip from "./SituationStrip.vue";
import SlipPanel from "./SlipPanel.vue";
import { useDesk } from "./deskStore";
import { MOVES } from "./keys";
import { useKeys } from "./useKeys";
import { useMoves } from "./useMoves";
import { useProofs } from "./useProofs";
import { useSituation } from "./useSituation";

const props = defineProps<{ id: number; product?: string | undefined }>();
const desk = useDesk();
const router = useRouter();
const moves = useMoves();
provide(MOVES, moves);
const situation = useSituation(() => props.product);
const { html, boxes, report } = useProofs(situation.proofAddress);
const shown = ref<"both" | "wide" | "phone">("both");
const adding = ref(false);
const help = ref(false);

watch(
  () => props.id,
  (id) => void desk.open(id),
  { immediate: true },
);
watch(situation.product, (product) => {
  if (product && product !== props.product) void router.replace({ query: { product } });
});

const press = useKeys({
  walk: moves.walk,
  step: moves.step,
  add: () => (adding.value = true),
  copy: moves.copy,
  remove: moves.remove,
  undo: () => desk.draft?.can_undo && void desk.undo(),
  redo: () => desk.draft?.can_redo && void desk.redo(),
  leaf: situation.leaf,
  show: (which) => (shown.value = which),
  help: () => (help.value = true),
});
</script>

<template>
  <div class="desk">
    <DeskHead v-if="desk.view && desk.draft" />
    <ProblemNote class="problem" :problem="desk.problem" @retry="desk.retry" />
    <main v-if="desk.view && desk.draft">
      <section class="left">
        <RunningOrder v-model:adding="adding" :boxes="boxes" :facts="situation.facts.value" />
        <SlipPanel />
      </section>
      <section class="right">
        <SituationStrip v-model:shown="shown" :situation="situation" />
        <ProofPane
          :shown="shown"
          :html="html"
          @boxes="report"
          @picked="(choice) => (situation.choice.value = choice)"
          @press="press"
        />
        <DeskFoot :boxes="boxes" @help="help = true" />
      </section>
    </main>
    <KeysDialog v-model="help" />
  </div>
</template>

<style scoped>
.desk {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - 48px);
  min-height: 560px;
}
.problem {
  margin: 8px 14px;
}
main {
  display: grid;
  flex: 1;
  grid-template-columns: 340px minmax(0, 1fr);
  min-height: 0;
}
.left {
  display: grid;
  grid-template-rows: minmax(0, 1fr) minmax(220px, 44%);
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
  main {
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
