<script setup lang="ts">
import { computed } from "vue";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import { bandName } from "./order";
import { type Band, bandOf } from "./types";

const props = defineProps<{ band: Band }>();
const desk = useDesk();
const moves = injectMoves();
const chosen = computed(() => bandOf(desk.chosen) === props.band.id);
</script>

<template>
  <button class="band" :class="{ chosen }" :aria-pressed="chosen" @click="moves.choose({ band: band.id })">
    {{ bandName(band) }} <i />
  </button>
</template>

<style scoped>
.band {
  display: flex;
  align-items: center;
  gap: 8px;
  width: 100%;
  padding: 5px 12px 3px 10px;
  color: var(--soft);
  font-size: 11px;
  font-weight: 600;
}
.band i {
  flex: 1;
  height: 1px;
  background: var(--line);
}
.band:hover {
  color: var(--ink);
}
.chosen {
  background: var(--accent-weak);
  color: var(--ink);
  box-shadow: inset 3px 0 0 var(--accent);
}
</style>
