<script setup lang="ts">
import { computed } from "vue";
import AllProducts from "./AllProducts.vue";
import AllStates from "./AllStates.vue";
import ProofFrame from "./ProofFrame.vue";
import { type Box, DEVICES, type Device, type Shown } from "./types";
import type { Press } from "./useKeys";
import type { SituationControl } from "./useSituation";
import { say } from "../../words";

const shown = defineModel<Shown>("shown", { required: true });
defineProps<{ html: string | null; situation: SituationControl }>();
defineEmits<{
  boxes: [device: Device, boxes: Box[]];
  picked: [choice: string];
  press: [press: Press];
  look: [product: string];
}>();
const devices = computed(() =>
  shown.value === "both" ? (["wide", "phone"] as Device[]) : DEVICES.filter((d) => shown.value === d),
);
const VIEWS: [Shown, string][] = [
  ["wide", say("proof-pane-wide")],
  ["tablet", say("proof-pane-tablet")],
  ["phone", say("proof-pane-phone")],
  ["both", say("proof-pane-both")],
  ["products", say("proof-pane-all-products")],
  ["states", say("proof-pane-all-states")],
];
</script>

<template>
  <div class="pane" :class="shown" role="region" :aria-label="say('proof-pane-proofs')">
    <div class="views" role="group" :aria-label="say('proof-pane-proofs-shown')">
      <button v-for="[key, name] in VIEWS" :key="key" :aria-pressed="key === shown" @click="shown = key">
        {{ name }}
      </button>
    </div>
    <AllProducts v-if="shown === 'products'" :situation="situation" @look="(product) => $emit('look', product)" />
    <AllStates v-else-if="shown === 'states'" :situation="situation" @look="shown = 'both'" />
    <div v-else class="frames">
      <ProofFrame
        v-for="device in devices"
        :key="device"
        :device="device"
        :html="html"
        @boxes="(boxes) => $emit('boxes', device, boxes)"
        @picked="(choice) => $emit('picked', choice)"
        @press="(press) => $emit('press', press)"
      />
    </div>
  </div>
</template>

<style scoped>
.pane {
  position: relative;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
}
.views {
  display: flex;
  justify-content: flex-end;
  gap: 2px;
  height: 26px;
  padding: 2px 14px 0;
}
.views button {
  padding: 0 7px;
  border-radius: 5px;
  color: var(--soft);
  font-size: 12px;
  font-weight: 600;
}
.views button:not([aria-pressed="true"]):hover {
  color: var(--ink);
}
.views [aria-pressed="true"] {
  background: var(--ink);
  color: var(--on-ink);
}
.frames {
  display: flex;
  justify-content: center;
  gap: 38px;
  min-height: 0;
  padding: 20px 22px 0;
  overflow: hidden;
}
</style>
