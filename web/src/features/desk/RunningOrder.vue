<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import BandLine from "./BandLine.vue";
import OrderRow from "./OrderRow.vue";
import PieceFinder from "./PieceFinder.vue";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import { type Line, lastInFirstScreen } from "./order";
import { type Band, type Box, type Device, type Kind, type Piece, type Place, SCREENS, type Situation } from "./types";

const props = defineProps<{ boxes: Record<Device, Map<string, Box>>; facts: Situation | null }>();
const adding = defineModel<boolean>("adding", { required: true });
const desk = useDesk();
const moves = injectMoves();
/** The place at which the finder is open. */
const gap = ref<Place | null>(null);

// Dragging changes these lists at once; the server's answer replaces them.
const bands = ref<Band[]>([]);
watch(
  () => desk.draft?.layout,
  (layout) => (bands.value = structuredClone(layout?.bands ?? [])),
  { immediate: true },
);

const byPiece = computed(() => new Map(desk.order.map((line): [string, Line] => [line.piece.id, line])));
const silent = computed(() => new Map(props.facts?.silent.map((s) => [s.piece, s.why]) ?? []));
const folds = computed(() => ({
  wide: lastInFirstScreen(desk.order, props.boxes.wide, SCREENS.wide.height),
  phone: lastInFirstScreen(desk.order, props.boxes.phone, SCREENS.phone.height),
}));

watch(adding, (wanted) => {
  if (!wanted) return;
  const { line, band } = moves;
  if (line.value) gap.value = { column: line.value.column.id, index: line.value.index + 1 };
  else {
    const first = (band.value ?? bands.value[0])?.columns[0];
    gap.value = first ? { column: first.id, index: first.pieces.length } : null;
  }
  adding.value = false;
});

function isGap(column: string, index: number): boolean {
  return gap.value?.column === column && gap.value.index === index;
}

async function pick(kind: Kind): Promise<void> {
  const at = gap.value;
  gap.value = null;
  if (at) await moves.add(kind, at);
}

function dropped(event: { item: HTMLElement; to: HTMLElement; newDraggableIndex?: number | undefined }): void {
  const { piece } = event.item.dataset;
  const { column } = event.to.dataset;
  const line = piece ? byPiece.value.get(piece) : undefined;
  const index = event.newDraggableIndex ?? 0;
  if (!piece || !column || (line?.column.id === column && line.index === index)) return;
  moves.move(piece, { column, index });
}

function hintOf(piece: Piece): string {
  const why = silent.value.get(piece.id);
  if (why) return why;
  if (piece.kind === "options") return props.facts?.options.map((o) => o.name).join(", ") ?? "";
  return desk.draft?.hints[piece.id] ?? "";
}
</script>

<template>
  <div class="order" role="region" aria-label="Running order">
    <div class="title">
      <h2>Running order</h2>
      <small class="soft">first screen: wide · phone</small>
    </div>
    <div class="scroll">
      <section v-for="band in bands" :key="band.id">
        <BandLine :band="band" />
        <template v-for="column in band.columns" :key="column.id">
          <VueDraggable
            v-model="column.pieces"
            tag="ol"
            group="pieces"
            :animation="120"
            :data-column="column.id"
            :class="{ empty: column.pieces.length === 0 }"
            draggable="[data-piece]"
            @end="dropped"
          >
            <template v-for="(piece, index) in column.pieces" :key="piece.id">
              <OrderRow
                :piece="piece"
                :number="byPiece.get(piece.id)?.number ?? 0"
                :hint="hintOf(piece)"
                :silent="silent.has(piece.id)"
                :boxes="boxes"
                :data-piece="piece.id"
                @gap="gap = { column: column.id, index: index + 1 }"
              />
              <li v-if="isGap(column.id, index + 1)" class="finder">
                <PieceFinder :product="facts" @pick="pick" @close="gap = null" />
              </li>
              <li v-if="byPiece.get(piece.id)?.number === folds.phone" class="fold">phone first screen ends <i /></li>
              <li v-if="byPiece.get(piece.id)?.number === folds.wide" class="fold">wide first screen ends <i /></li>
            </template>
            <li v-if="column.pieces.length === 0" class="nothing">
              <PieceFinder v-if="isGap(column.id, 0)" :product="facts" @pick="pick" @close="gap = null" />
              <button v-else class="quiet" @click="gap = { column: column.id, index: 0 }">
                Nothing here yet. Add a piece, or drag one here.
              </button>
            </li>
          </VueDraggable>
        </template>
      </section>
      <p v-if="bands.length === 0" class="bare">
        This page has nothing yet.
        <button class="quiet" @click="moves.addBand([7, 5])">Begin with two columns</button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.order {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 9px 14px 4px;
}
.scroll {
  flex: 1;
  overflow-y: auto;
  padding-bottom: 8px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
.fold {
  display: flex;
  align-items: center;
  gap: 8px;
  height: 17px;
  padding: 0 12px 0 36px;
  color: var(--signal);
  font-size: 11px;
  font-weight: 600;
}
.fold i {
  flex: 1;
  border-top: 1.5px dashed #c4491a99;
}
.nothing,
.finder,
.bare {
  padding: 4px 12px 4px 34px;
}
.nothing .quiet {
  font-size: 12px;
}
</style>
