<script setup lang="ts">
import { computed } from "vue";
import SavedState from "../../ui/SavedState.vue";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import { above, enough } from "./bringUp";
import { kilobytes } from "./kilobytes";
import type { Line } from "./order";
import { type Boxes, type Device, ORDER_DEVICES, SCREENS, type Situation } from "./types";
import { useScope } from "./useScope";
import { useValues } from "./useValues";
import { LOCALE, say } from "../../words";

const props = defineProps<{ boxes: Boxes; facts: Situation | null }>();
defineEmits<{ help: [] }>();
const desk = useDesk();
const moves = injectMoves();

const needed = computed(() => new Set((desk.view?.kinds ?? []).filter((one) => one.needed).map((one) => one.kind)));
const scope = useScope();
const { setting } = useValues();
/** What can be left out on a screen, of this product, so that the buy button comes into its first screen. */
function mendFor(device: Device, button: Line, below: number) {
  const ids = enough(above(desk.drawnOrder, props.boxes[device], button, device, needed.value), below);
  if (ids.length === 0) return null;
  const names = ids.map((id) => labelOf(id).toLowerCase());
  const what = new Intl.ListFormat(LOCALE).format(names);
  const own = scope.levels.value.find((level) => level.level === "product");
  return {
    text: say("desk-foot-hide-there", { what, count: ids.length }),
    title: own ? say("desk-foot-for-alone", { what, name: own.name }) : what,
    act: () =>
      desk.edit({
        op: "many",
        ops: ids.map((piece) => setting({ piece }, "shown", device, false, own?.whom ?? null)),
      }),
  };
}
const labelOf = (id: string): string => {
  const kind = desk.drawnOrder.find((line) => line.piece.id === id)?.piece.kind;
  return (kind && desk.labels.get(kind)) ?? id;
};
/** How far the first buy button ends below the first screen, measured in the proofs. */
const late = computed(() => {
  // A card stands wherever its listing has it.
  if (desk.onCard) return [];
  const line = desk.drawnOrder.find((l) => l.piece.kind === "buy_button");
  if (!line) return [];
  const button = line.piece.id;
  return ORDER_DEVICES.flatMap((device) => {
    const box = props.boxes[device].get(button);
    const below = box?.seen ? box.bottom - SCREENS[device].height : 0;
    if (below <= 0) return [];
    const text = say("desk-foot-buy-button-ends-px", { name: SCREENS[device].name, below });
    return [{ device, button, text, mend: mendFor(device, line, below) }];
  });
});
/** What the pictures weigh that are loaded before the shopper does anything. */
const weight = computed(() => {
  const now = props.facts?.weight;
  if (!now || now.wide.all === 0) return null;
  return {
    text: say("desk-foot-pictures-wide-phone", {
      first: kilobytes(now.wide.first),
      first2: kilobytes(now.phone.first),
    }),
    title: say("desk-foot-loaded-first-when-all", { all: kilobytes(now.wide.all), all2: kilobytes(now.phone.all) }),
  };
});
const small = computed(() => props.facts?.weight.too_small ?? []);
/** What there is to say of a buy button that isn't late anywhere. */
const buy = computed(() => {
  if (desk.onCard) return { text: "", mend: false };
  const buttons = desk.drawnOrder.filter((l) => l.piece.kind === "buy_button").map((l) => l.piece.id);
  if (buttons.length === 0) return { text: say("desk-foot-page-has-no-buy"), mend: true };
  const without = ORDER_DEVICES.filter((device) => {
    const boxes = props.boxes[device];
    return boxes.size > 0 && !buttons.some((id) => boxes.get(id)?.seen);
  });
  if (without.length === ORDER_DEVICES.length) return { text: say("desk-foot-no-screen-shows-buy"), mend: true };
  const [none] = without;
  if (none) return { text: say("desk-foot-no-buy-button-shown", { name: SCREENS[none].name }), mend: true };
  return { text: say("desk-foot-buy-button-lies-first"), mend: false };
});
</script>

<template>
  <footer class="foot">
    <template v-for="one in late" :key="one.device">
      <span class="signal">{{ one.text }}</span>
      <button class="quiet" @click="moves.choose({ piece: one.button })">{{ say("desk-foot-show-me") }}</button>
      <button v-if="one.mend" class="quiet" :title="one.mend.title" @click="one.mend.act">{{ one.mend.text }}</button>
    </template>
    <span v-if="late.length === 0 || buy.mend" :class="buy.mend ? 'signal' : 'soft'">{{ buy.text }}</span>
    <template v-if="small.length">
      <span class="signal">{{ say("desk-foot-pictures-too-small", { count: small.length }) }}</span>
      <button class="quiet" @click="moves.choose({ piece: small[0]?.piece ?? '' })">
        {{ say("desk-foot-show-me") }}
      </button>
    </template>
    <span v-if="weight" class="soft weight" :title="weight.title">{{ weight.text }}</span>
    <SavedState class="right" />
    <button class="quiet" @click="$emit('help')">{{ say("desk-foot-keyboard") }}</button>
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
.foot > * {
  white-space: nowrap;
}
/* Told in full where it is pointed at; what is to be mended needs the room first. */
.weight {
  flex: 1 1 0;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
.right {
  margin-left: auto;
}
</style>
