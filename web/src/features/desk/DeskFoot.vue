<script setup lang="ts">
import { computed } from "vue";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import { type Boxes, ORDER_DEVICES, SCREENS } from "./types";

const props = defineProps<{ boxes: Boxes }>();
defineEmits<{ help: [] }>();
const desk = useDesk();
const moves = injectMoves();

/** How far the first buy button ends below the first screen, measured in the proofs. */
const late = computed(() => {
  const button = desk.order.find((l) => l.piece.kind === "buy_button")?.piece.id;
  if (!button) return [];
  return ORDER_DEVICES.flatMap((device) => {
    const box = props.boxes[device].get(button);
    const below = box?.seen ? box.bottom - SCREENS[device].height : 0;
    return below > 0
      ? [{ device, button, text: `${SCREENS[device].name}: the buy button ends ${below} px below the first screen.` }]
      : [];
  });
});
const hasButton = computed(() => desk.order.some((l) => l.piece.kind === "buy_button"));
const saved = computed(() => {
  if (desk.saving) return "Saving";
  const time = desk.savedAt?.toLocaleTimeString([], { hour: "2-digit", minute: "2-digit", hour12: false });
  return time ? `Saved ${time}` : "Everything is saved";
});
</script>

<template>
  <footer class="foot">
    <template v-for="one in late" :key="one.device">
      <span class="signal">{{ one.text }}</span>
      <button class="quiet" @click="moves.choose({ piece: one.button })">Show me</button>
    </template>
    <span v-if="late.length === 0 && hasButton" class="soft">The buy button lies in the first screen of both.</span>
    <span v-else-if="!hasButton" class="soft">This page has no buy button yet.</span>
    <span class="right soft" role="status">{{ saved }}</span>
    <button class="quiet" @click="$emit('help')">Keys</button>
  </footer>
</template>

<style scoped>
.foot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
  min-height: 34px;
  padding: 2px 14px;
  border-top: 1px solid var(--line);
  background: var(--sheet);
}
.right {
  margin-left: auto;
}
</style>
