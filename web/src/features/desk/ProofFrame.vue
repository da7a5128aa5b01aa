<script setup lang="ts">
import { computed, ref } from "vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import { useDesk } from "./deskStore";
import { type Box, type Device, SCREENS } from "./types";
import type { Press } from "./useKeys";
import { useProofFrame } from "./useProofFrame";
import { say } from "../../words";

const props = defineProps<{ device: Device; html: string | null }>();
const emit = defineEmits<{ boxes: [boxes: Box[]]; picked: [choice: string]; press: [press: Press] }>();
const desk = useDesk();
const holder = ref<HTMLElement | null>(null);
const frame = ref<HTMLIFrameElement | null>(null);
const screen = computed(() => SCREENS[props.device]);

const { scale, height, document, percent } = useProofFrame({
  holder,
  frame,
  device: () => props.device,
  width: () => screen.value.width,
  fold: () => screen.value.height,
  html: () => props.html,
  boxes: (boxes) => emit("boxes", boxes),
  picked: (choice) => emit("picked", choice),
  press: (press) => emit("press", press),
});
</script>

<template>
  <figure ref="holder" class="proof" :class="[device, { hand: device !== 'wide' && desk.inHand === device }]">
    <figcaption>
      {{ screen.name }} {{ screen.width }} · {{ percent }} %
      <template v-if="device !== 'wide' && desk.inHand === device">{{ say("proof-frame-in-hand") }}</template>
    </figcaption>
    <div class="page" :style="{ width: `${screen.width * scale}px`, height: `${height * scale}px` }">
      <iframe
        v-if="document !== null"
        ref="frame"
        :title="say('proof-frame-proof', { name: screen.name })"
        :srcdoc="document"
        :style="{ width: `${screen.width}px`, height: `${height}px`, transform: `scale(${scale})` }"
      />
      <ProgressLine v-else />
    </div>
  </figure>
</template>

<style scoped>
.proof {
  position: relative;
  flex: 590 1 0;
  min-width: 0;
  margin: 0;
}
.proof.phone {
  flex-grow: 236;
}
:only-child.phone {
  flex: 0 1 390px;
}
:only-child.tablet {
  flex: 0 1 660px;
}
figcaption {
  position: absolute;
  top: -18px;
  left: 0;
  color: var(--soft);
  font-size: 11px;
  font-weight: 600;
  white-space: nowrap;
}
.hand figcaption {
  color: var(--accent);
}
.page {
  position: relative;
  background: var(--page);
  box-shadow: var(--shadow);
}
.page::before,
.page::after {
  content: "";
  position: absolute;
  top: -9px;
  width: 8px;
  height: 8px;
  border-bottom: 1px solid var(--crop);
}
.page::before {
  left: -9px;
  border-right: 1px solid var(--crop);
}
.page::after {
  right: -9px;
  border-left: 1px solid var(--crop);
}
iframe {
  display: block;
  border: 0;
  transform-origin: 0 0;
}
</style>
