<script setup lang="ts">
import { mdiPlus } from "@mdi/js";
import { computed } from "vue";
import ColourList from "../../../ui/ColourList.vue";
import RadioBox from "../../../ui/fields/RadioBox.vue";
import SheetMenu from "../../../ui/menu/SheetMenu.vue";
import SwatchDot from "../../../ui/SwatchDot.vue";
import { say } from "../../../words";
import type { Member, SiblingsControl } from "./useSiblings";

/** What a product shows among its siblings: by its label, or chosen here. */
const props = defineProps<{ control: SiblingsControl; member: Member }>();
const MOST = 4;
const way = computed({
  get: () => (props.member.own === null ? "label" : props.member.own.kind === "text" ? "text" : "colours"),
  set: (wanted) => {
    const colours = props.member.swatch.kind === "colours" ? props.member.swatch.colours : ["#8A8A8A"];
    if (wanted === "label") void props.control.paint(props.member, null);
    else void props.control.paint(props.member, wanted === "text" ? { kind: "text" } : { kind: "colours", colours });
  },
});
const colours = computed({
  get: () => (props.member.own?.kind === "colours" ? props.member.own.colours : []),
  set: (next) => void props.control.paint(props.member, { kind: "colours", colours: next }),
});
/** Where it comes from. */
const from = computed(() => {
  if (props.member.from === "variant") return say("sibling-swatch-picture");
  if (props.member.from === "text") return say("sibling-swatch-nothing");
  return say("sibling-swatch-book");
});
</script>

<template>
  <SheetMenu :label="say('sibling-swatch-shows', { name: member.name })">
    <template #button="{ menu }">
      <button
        v-bind="menu"
        type="button"
        class="shows"
        :aria-label="say('sibling-swatch-shows', { name: member.name })"
      >
        <SwatchDot :swatch="member.swatch" :size="28" />
      </button>
    </template>
    <label class="tick">
      <RadioBox v-model="way" value="label" />
      <span>
        {{ say("sibling-swatch-by-itself") }}
        <span v-if="!member.own" class="soft">{{ from }}</span>
      </span>
    </label>
    <label class="tick"><RadioBox v-model="way" value="colours" /> {{ say("sibling-swatch-colour") }}</label>
    <template v-if="way === 'colours'">
      <ColourList v-model="colours" :name="`sibling-${member.product}`" />
      <button
        v-if="colours.length < MOST"
        type="button"
        class="quiet"
        @click="colours = [...colours, colours.at(-1) ?? '#8A8A8A']"
      >
        <v-icon :icon="mdiPlus" size="14" /> {{ say("sibling-swatch-another") }}
      </button>
    </template>
    <label class="tick"><RadioBox v-model="way" value="text" /> {{ say("sibling-swatch-label") }}</label>
  </SheetMenu>
</template>

<style scoped>
.shows {
  display: grid;
  place-items: center;
  width: 34px;
  height: 34px;
  padding: 0;
  border: 1px solid transparent;
  border-radius: 6px;
  background: none;
  cursor: pointer;
}
.shows:hover,
.shows:focus-visible,
.shows[aria-expanded="true"] {
  border-color: var(--accent);
}
.tick {
  display: flex;
  gap: 8px;
  align-items: start;
}
.tick .soft {
  display: block;
}
button.quiet {
  justify-self: start;
}
</style>
