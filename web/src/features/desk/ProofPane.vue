<script setup lang="ts">
import { computed } from "vue";
import ProofFrame from "./ProofFrame.vue";
import { type Box, DEVICES, type Device } from "./types";
import type { Press } from "./useKeys";

const props = defineProps<{ shown: "both" | "wide" | "phone"; html: string | null }>();
defineEmits<{ boxes: [device: Device, boxes: Box[]]; picked: [choice: string]; press: [press: Press] }>();
const devices = computed(() => DEVICES.filter((d) => props.shown === "both" || props.shown === d));
</script>

<template>
  <div class="pane" :class="shown" role="region" aria-label="Proofs">
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
</template>

<style scoped>
.pane {
  display: flex;
  justify-content: center;
  gap: 38px;
  min-height: 0;
  padding: 26px 22px 0;
  overflow: hidden;
}
</style>
