<script setup lang="ts">
import { computed } from "vue";
import { injectMoves } from "./keys";
import type { Band } from "./types";

/** How many columns a band has, and how wide they are. */
const props = defineProps<{ band: Band }>();
const moves = injectMoves();
const ARRANGED: number[][] = [
  [12],
  [6, 6],
  [7, 5],
  [5, 7],
  [8, 4],
  [4, 8],
  [9, 3],
  [3, 9],
  [4, 4, 4],
  [3, 6, 3],
  [3, 3, 3, 3],
];
const now = computed(() => props.band.columns.map((c) => c.width).join());
</script>

<template>
  <div class="columns" role="group" aria-label="Columns">
    <span class="soft">Columns</span>
    <div>
      <button
        v-for="widths in ARRANGED"
        :key="widths.join()"
        :aria-pressed="widths.join() === now"
        :aria-label="widths.length === 1 ? 'Whole width' : `${widths.length} columns, ${widths.join(' + ')}`"
        :title="widths.length === 1 ? 'Whole width' : widths.join(' + ')"
        @click="moves.setColumns(band.id, widths)"
      >
        <i v-for="(width, index) in widths" :key="index" :style="{ flex: width }" />
      </button>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  gap: 8px;
  padding: 4px 12px 6px 14px;
}
.columns > div {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
button {
  display: flex;
  gap: 2px;
  width: 40px;
  height: 26px;
  padding: 4px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
button i {
  background: #b9c6c4;
}
[aria-pressed="true"] {
  border-color: var(--ink);
}
[aria-pressed="true"] i {
  background: var(--ink);
}
</style>
