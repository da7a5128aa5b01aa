<script setup lang="ts">
import { computed } from "vue";
import SavedState from "../../ui/SavedState.vue";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import { kilobytes } from "./kilobytes";
import { type Boxes, ORDER_DEVICES, SCREENS, type Situation } from "./types";

const props = defineProps<{ boxes: Boxes; facts: Situation | null }>();
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
/** What the pictures weigh that are loaded before the shopper does anything. */
const weight = computed(() => {
  const now = props.facts?.weight;
  if (!now || now.wide.all === 0) return null;
  return {
    text: `Pictures ${kilobytes(now.wide.first)} wide, ${kilobytes(now.phone.first)} phone`,
    title: `Loaded at first. When all have been looked at: ${kilobytes(now.wide.all)} on wide screens, ${kilobytes(now.phone.all)} on phones.`,
  };
});
const small = computed(() => props.facts?.weight.too_small ?? []);
/** What there is to say of a buy button that isn't late anywhere. */
const buy = computed(() => {
  const buttons = desk.order.filter((l) => l.piece.kind === "buy_button").map((l) => l.piece.id);
  if (buttons.length === 0) return { text: "This page has no buy button yet.", mend: true };
  const without = ORDER_DEVICES.filter((device) => {
    const boxes = props.boxes[device];
    return boxes.size > 0 && !buttons.some((id) => boxes.get(id)?.seen);
  });
  if (without.length === ORDER_DEVICES.length) return { text: "No screen shows the buy button.", mend: true };
  const [none] = without;
  if (none) return { text: `${SCREENS[none].name}: no buy button is shown.`, mend: true };
  return { text: "The buy button lies in the first screen of both.", mend: false };
});
</script>

<template>
  <footer class="foot">
    <template v-for="one in late" :key="one.device">
      <span class="signal">{{ one.text }}</span>
      <button class="quiet" @click="moves.choose({ piece: one.button })">Show me</button>
    </template>
    <span v-if="late.length === 0 || buy.mend" :class="buy.mend ? 'signal' : 'soft'">{{ buy.text }}</span>
    <template v-if="small.length">
      <span class="signal">{{ small.length === 1 ? "1 picture is" : `${small.length} pictures are` }} too small.</span>
      <button class="quiet" @click="moves.choose({ piece: small[0]?.piece ?? '' })">Show me</button>
    </template>
    <span v-if="weight" class="soft" :title="weight.title">{{ weight.text }}</span>
    <SavedState class="right" />
    <button class="quiet" @click="$emit('help')">Keyboard</button>
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
