<script setup lang="ts">
import { mdiChevronDown, mdiChevronRight, mdiLinkVariant } from "@mdi/js";
import { computed } from "vue";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import { type Band, bandOf } from "./types";
import { say } from "../../words";

const props = defineProps<{ band: Band; why: string | null }>();
const folded = defineModel<boolean>("folded", { required: true });
const desk = useDesk();
const moves = injectMoves();
const chosen = computed(() => bandOf(desk.chosen) === props.band.id);
const name = computed(() => desk.bandName(props.band.id));
const count = computed(() => props.band.columns.reduce((sum, c) => sum + c.pieces.length, 0));
</script>

<template>
  <div class="band-row" :class="{ chosen }">
    <button
      class="fold-it"
      :aria-expanded="!folded"
      :aria-label="folded ? say('band-line-show-pieces', { count, name }) : say('band-line-fold', { name })"
      @click="folded = !folded"
    >
      <v-icon :icon="folded ? mdiChevronRight : mdiChevronDown" size="14" />
    </button>
    <button class="band" :aria-pressed="chosen" @click="moves.choose({ band: band.id })">
      <v-icon
        v-if="band.kept != null"
        :icon="mdiLinkVariant"
        size="13"
        :title="say('band-line-linked-same-wherever-used')"
      />
      {{ name }}<span v-if="folded">, {{ count }} {{ say("band-line-pieces", { count }) }}</span>
      <em v-if="why">{{ why }}</em> <i />
    </button>
    <button
      v-if="count === 0"
      class="quiet"
      :aria-label="say('band-line-remove-which-empty', { name })"
      @click="desk.edit({ op: 'remove_band', band: band.id })"
    >
      {{ say("band-line-empty-remove") }}
    </button>
  </div>
</template>

<style scoped>
.band-row {
  display: flex;
  align-items: center;
  padding-right: 12px;
}
.fold-it {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  color: var(--soft);
}
.band {
  display: flex;
  flex: 1;
  align-items: center;
  gap: 8px;
  min-width: 0;
  padding: 4px 0;
  color: var(--soft);
  font-size: 11px;
  font-weight: 600;
  white-space: nowrap;
}
.band em {
  overflow: hidden;
  color: var(--signal);
  font-style: normal;
  font-weight: 500;
  text-overflow: ellipsis;
}
.band i {
  flex: 1;
  min-width: 12px;
  height: 1px;
  background: var(--line);
}
.band span {
  font-weight: 500;
}
.band-row:hover .band {
  color: var(--ink);
}
.chosen {
  background: var(--accent-weak);
  box-shadow: inset 3px 0 0 var(--accent);
}
.chosen .band {
  color: var(--ink);
}
</style>
