<script setup lang="ts">
import { mdiBrushVariant, mdiContentCopy, mdiDeleteOutline, mdiUndoVariant } from "@mdi/js";
import { computed } from "vue";
import type { Schemas } from "../../../api/client";
import ActsMenu from "../../../ui/menu/ActsMenu.vue";
import { useDesk } from "../deskStore";
import { injectMoves } from "../keys";
import KeptBands from "./KeptBands.vue";
import { say } from "../../../words";

/** What can be done with what the slip is of. */
const props = defineProps<{ slip: Schemas["SlipView"] }>();
const desk = useDesk();
const moves = injectMoves();

const ownOfAll = computed(() => {
  const values = moves.valuesOf(props.slip.target);
  return [values?.wide, values?.tablet, values?.phone].reduce((sum, v) => sum + Object.keys(v ?? {}).length, 0);
});
/** Others of the same kind on this page, and the settings that are looks. */
const twins = computed(() => {
  const here = moves.line.value?.piece;
  return here ? desk.drawnOrder.filter((line) => line.piece.kind === here.kind && line.piece.id !== here.id) : [];
});
const looks = computed(() =>
  props.slip.fields.filter((f) => ["looks", "setting", "texts"].includes(f.group)).map((f) => f.key),
);
</script>

<template>
  <button
    v-if="ownOfAll > 0"
    class="tool"
    :title="say('slip-tools-rejoin-drop-all-values', { ownOfAll })"
    :aria-label="say('slip-tools-rejoin-all-values')"
    @click="moves.rejoin([slip.target])"
  >
    <v-icon :icon="mdiUndoVariant" size="15" />
  </button>
  <ActsMenu v-if="twins.length">
    <template #button="{ menu }">
      <button
        v-bind="menu"
        class="tool"
        :title="say('slip-tools-looks-others-kind')"
        :aria-label="say('slip-tools-looks-others-kind')"
      >
        <v-icon :icon="mdiBrushVariant" size="15" />
      </button>
    </template>
    <v-list-item
      v-for="twin in twins"
      :key="twin.piece.id"
      :title="say('slip-tools-take-looks', { number: twin.number })"
      @click="moves.giveLooks({ piece: twin.piece.id }, looks, [slip.target])"
    />
    <v-list-item
      :title="say('slip-tools-give-all-others-these', { count: twins.length })"
      @click="
        moves.giveLooks(
          slip.target,
          looks,
          twins.map((twin) => ({ piece: twin.piece.id })),
        )
      "
    />
  </ActsMenu>
  <KeptBands v-if="moves.band.value" :key="moves.band.value.id" :band="moves.band.value" />
  <button
    v-else
    class="tool"
    :title="say('slip-tools-copy-d')"
    :aria-label="say('slip-tools-copy-piece')"
    @click="moves.copy"
  >
    <v-icon :icon="mdiContentCopy" size="15" />
  </button>
  <button
    class="tool"
    :title="say('slip-tools-remove-delete')"
    :aria-label="say('slip-tools-remove')"
    @click="moves.remove"
  >
    <v-icon :icon="mdiDeleteOutline" size="16" />
  </button>
</template>
