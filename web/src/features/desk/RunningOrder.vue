<script setup lang="ts">
import { mdiMagnify, mdiUnfoldLessHorizontal, mdiUnfoldMoreHorizontal } from "@mdi/js";
import { computed, nextTick, ref, watch } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import BandLine from "./BandLine.vue";
import MovedSaid from "./MovedSaid.vue";
import OrderRow from "./OrderRow.vue";
import PieceFinder from "./PieceFinder.vue";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import { type Line, type Where, lastInFirstScreen, whereIs } from "./order";
import { type Band, type Boxes, type Device, type Kind, type Piece, SCREENS, type Situation } from "./types";
import { useResizeObserver } from "../../ui/useResizeObserver";
import { useOrderOn } from "./useOrderOn";
import { useVisibility } from "./useVisibility";
import TextInput from "../../ui/fields/TextInput.vue";
import { say } from "../../words";

const props = defineProps<{ boxes: Boxes; facts: Situation | null }>();
const adding = defineModel<boolean>("adding", { required: true });
const finding = defineModel<boolean>("finding", { required: true });
defineEmits<{ starters: [] }>();
const desk = useDesk();
const moves = injectMoves();
const visibility = useVisibility();
const { onPhones, placeOn } = useOrderOn();
/** The column in which the finder is open, and behind what: the line it was opened at, then what was added from it. */
const gap = ref<{ column: string; behind: string[] } | null>(null);
/** What was typed into it: it moves on with what is added, and letters that come meanwhile go along. */
const adds = ref("");
watch(gap, (now, before) => {
  if (!now || !before) adds.value = "";
});

// Dragging changes these lists of names at once; the server's answer replaces them.
const columns = ref(new Map<string, string[]>());
const bands = computed(() => desk.drawn?.draft.layout.bands ?? []);
function listed(now: Band[]): Map<string, string[]> {
  return new Map(now.flatMap((b) => b.columns).map((c): [string, string[]] => [c.id, c.pieces.map((p) => p.id)]));
}
watch(
  bands,
  (now) => {
    const lists = listed(now);
    if (JSON.stringify([...lists]) !== JSON.stringify([...columns.value])) columns.value = lists;
  },
  { immediate: true },
);

const byPiece = computed(() => new Map(desk.drawnOrder.map((line): [string, Line] => [line.piece.id, line])));
function linesOf(column: string): Line[] {
  return (columns.value.get(column) ?? []).flatMap((id) => byPiece.value.get(id) ?? []);
}
const silent = computed(() => {
  const none = props.facts?.silent.map((s): [string, string] => [s.piece, s.why]) ?? [];
  const away = props.facts?.verdicts.flatMap((v): [string, string][] =>
    "piece" in v.target && !v.holds ? [[v.target.piece, say("running-order-not-now", { why: v.why })]] : [],
  );
  return new Map([...(away ?? []), ...none]);
});
/** A card has no first screen: it stands wherever its listing has it. */
const folds = computed(() => (desk.onCard ? { wide: 0, phone: 0 } : firstScreens.value));
const firstScreens = computed(() => ({
  wide: lastInFirstScreen(desk.drawnOrder, props.boxes.wide, SCREENS.wide.height),
  phone: lastInFirstScreen(desk.drawnOrder, props.boxes.phone, SCREENS.phone.height),
}));

watch(adding, (wanted) => {
  if (!wanted) return;
  adding.value = false;
  const at = moves.placeForNew();
  gap.value = at && { column: at.column, behind: piecesOf(at.column).slice(0, at.index) };
});

// Where there is less room than before, or the finder has gone, the chosen line stays in sight.
const scroll = ref<HTMLElement | null>(null);
const room = useResizeObserver(scroll);
watch(
  [() => room.value.height, () => gap.value === null],
  () => gap.value === null && scroll.value?.querySelector(".chosen")?.scrollIntoView({ block: "nearest" }),
  { flush: "post" },
);

/** Bands that are folded, until the desk is left. */
const folded = ref(new Set<string>());
function fold(band: string, away: boolean): void {
  if (away) folded.value.add(band);
  else folded.value.delete(band);
}
function foldAll(): void {
  folded.value = folded.value.size > 0 ? new Set() : new Set(bands.value.map((b) => b.id));
}
// A chosen line is never hidden in a folded band.
watch(
  () => moves.line.value?.band.id,
  (band) => band && folded.value.delete(band),
);

// Finding a line: what is typed leaves only the lines that have it in them.
const typed = ref("");
const finder = ref<InstanceType<typeof TextInput> | null>(null);
watch(finding, async (wanted) => {
  typed.value = "";
  if (!wanted) return;
  folded.value.clear();
  await nextTick();
  finder.value?.focus();
});
const found = computed(() => {
  const words = typed.value.trim().toLowerCase();
  if (!finding.value || words === "") return null;
  return desk.drawnOrder.filter((l) =>
    `${desk.labels.get(l.piece.kind)} ${hintOf(l.piece)}`.toLowerCase().includes(words),
  );
});
function where(piece: Piece, device: Device): Where {
  return silent.value.has(piece.id)
    ? "away"
    : whereIs(visibility.isShown(piece.id, device), device, props.boxes[device].get(piece.id));
}
function isOut(piece: string): boolean {
  return found.value !== null && !found.value.some((l) => l.piece.id === piece);
}
function takeFound(): void {
  const first = found.value?.[0];
  if (first) moves.choose({ piece: first.piece.id });
  finding.value = false;
}

const bandWhy = computed(
  () =>
    new Map(
      props.facts?.verdicts.flatMap((v): [string, string][] =>
        "band" in v.target && !v.holds ? [[v.target.band, say("running-order-not-now", { why: v.why })]] : [],
      ) ?? [],
    ),
);

function piecesOf(column: string): string[] {
  const all = desk.draft?.layout.bands.flatMap((b) => b.columns) ?? [];
  return all.find((c) => c.id === column)?.pieces.map((piece) => piece.id) ?? [];
}
/** Where the finder stands: it moves on only once what was added is drawn, so that it has every letter meanwhile. */
const stands = computed(() => {
  const drawn = columns.value.get(gap.value?.column ?? "") ?? [];
  return gap.value?.behind.findLast((id) => drawn.includes(id)) ?? drawn.at(-1) ?? null;
});
function isGap(column: string, behind: string | null): boolean {
  return gap.value?.column === column && stands.value === behind;
}

function pick(kind: Kind, more: boolean): void {
  if (!gap.value) return;
  const { column, behind } = gap.value;
  const now = piecesOf(column);
  const last = behind.findLast((id) => now.includes(id));
  const added = moves.add(kind, { column, index: last ? now.indexOf(last) + 1 : now.length });
  gap.value = more ? { column, behind: [...behind, added] } : null;
  adds.value = "";
}
/** A finder that goes away as the next one opens doesn't close that. */
function close(column: string, behind: string | null): void {
  if (isGap(column, behind)) gap.value = null;
}

function dropped(event: { item: HTMLElement; to: HTMLElement; newDraggableIndex?: number | undefined }): void {
  const { piece } = event.item.dataset;
  const { column } = event.to.dataset;
  const line = piece ? byPiece.value.get(piece) : undefined;
  const index = event.newDraggableIndex ?? 0;
  if (piece && column && desk.inHand !== "wide" && !desk.onCard && dropsOn(desk.inHand, piece, column, index)) return;
  if (piece && column && desk.also.length && moves.lines.value.some((l) => l.piece.id === piece)) {
    // Dropped as counted without the dragged one; the others still stand where they stood.
    const here = line?.column.id === column && line.index < index ? index + 1 : index;
    return moves.moveAll({ column, index: here });
  }
  if (!piece || !column || (line?.column.id === column && line.index === index)) return;
  moves.move(piece, { column, index });
}

/** While the phone's or the tablet's proof is in hand a piece is put elsewhere there alone; the list stays as it is. */
function dropsOn(device: Device, piece: string, column: string, index: number): boolean {
  const others = (columns.value.get(column) ?? []).filter((id) => id !== piece);
  const done = placeOn(device, piece, others[index], others[index - 1]);
  if (done) columns.value = listed(bands.value);
  return done;
}

function hintOf(piece: Piece): string {
  const why = silent.value.get(piece.id);
  if (why) return why;
  if (piece.kind === "options") return props.facts?.options.map((o) => o.name).join(", ") ?? "";
  return desk.drawn?.draft.hints[piece.id] ?? "";
}
</script>

<template>
  <div class="order" role="region" :aria-label="say('running-order-running-order')">
    <MovedSaid />
    <div class="title">
      <h2>{{ say("running-order-running-order") }}</h2>
      <TextInput
        v-if="finding"
        ref="finder"
        v-model="typed"
        class="find"
        :aria-label="say('running-order-find-line')"
        :placeholder="say('running-order-find-line')"
        @keydown.enter.prevent="takeFound"
        @keydown.esc.stop="finding = false"
        @blur="typed === '' && (finding = false)"
      />
      <template v-else>
        <small class="soft">{{
          desk.onCard ? say("running-order-one-card") : say("running-order-first-screen-wide-phone")
        }}</small>
        <button
          class="tool"
          :title="say('running-order-find-line-b')"
          :aria-label="say('running-order-find-line')"
          @click="finding = true"
        >
          <v-icon :icon="mdiMagnify" size="15" />
        </button>
        <button
          v-if="!desk.onCard"
          class="tool"
          :title="say('running-order-fold-unfold-all-bands')"
          :aria-label="say('running-order-fold-unfold-all-bands')"
          @click="foldAll"
        >
          <v-icon :icon="folded.size ? mdiUnfoldMoreHorizontal : mdiUnfoldLessHorizontal" size="15" />
        </button>
      </template>
    </div>
    <div ref="scroll" class="scroll">
      <section v-for="band in bands" :key="band.id">
        <BandLine
          v-if="!desk.onCard"
          :band="band"
          :why="bandWhy.get(band.id) ?? null"
          :folded="folded.has(band.id)"
          @update:folded="(away) => fold(band.id, away)"
        />
        <template v-for="column in folded.has(band.id) ? [] : band.columns" :key="column.id">
          <VueDraggable
            :model-value="columns.get(column.id) ?? []"
            tag="ol"
            group="pieces"
            :animation="120"
            :data-column="column.id"
            :class="{ empty: !columns.get(column.id)?.length }"
            draggable=".line"
            :delay="180"
            :delay-on-touch-only="true"
            @update:model-value="(ids: string[]) => columns.set(column.id, ids)"
            @end="dropped"
          >
            <!-- A line is one element with all that belongs to it: what is dragged away is put back beside its neighbours
                 before it is taken out of the list, and would stay there if it were one of several. -->
            <li v-for="{ piece, number } in linesOf(column.id)" :key="piece.id" class="line" :data-piece="piece.id">
              <OrderRow
                :piece="piece"
                :number="number"
                :on-phones="onPhones.get(piece.id) ?? null"
                :hint="hintOf(piece)"
                :silent="silent.has(piece.id)"
                :wide="where(piece, 'wide')"
                :phone="where(piece, 'phone')"
                :shown-wide="visibility.isShown(piece.id, 'wide')"
                :shown-phone="visibility.isShown(piece.id, 'phone')"
                :out="isOut(piece.id)"
                :data-piece="piece.id"
                @gap="gap = { column: column.id, behind: [piece.id] }"
                @toggle="(device) => visibility.toggle(piece.id, device)"
              />
              <div v-if="isGap(column.id, piece.id)" class="finder">
                <PieceFinder
                  v-model:typed="adds"
                  :product="facts"
                  :band="band.id"
                  @pick="pick"
                  @close="close(column.id, piece.id)"
                />
              </div>
              <p v-if="number === folds.phone" class="fold">{{ say("running-order-phone-first-screen-ends") }} <i /></p>
              <p v-if="number === folds.wide" class="fold">{{ say("running-order-wide-first-screen-ends") }} <i /></p>
            </li>
            <li v-if="!columns.get(column.id)?.length" class="nothing">
              <PieceFinder
                v-if="isGap(column.id, null)"
                v-model:typed="adds"
                :product="facts"
                :band="band.id"
                @pick="pick"
                @close="close(column.id, null)"
              />
              <button v-else class="quiet" @click="gap = { column: column.id, behind: [] }">
                {{ say("running-order-nothing-here-yet-add") }}
              </button>
            </li>
          </VueDraggable>
        </template>
      </section>
      <p v-if="desk.onCard && desk.drawnOrder.length" class="rest soft">{{ say("running-order-rest-leads") }}</p>
      <EmptyPlace v-if="bands.length === 0 || (desk.onCard && desk.drawnOrder.length === 0)">
        {{ desk.onCard ? say("running-order-card-has-nothing-yet") : say("running-order-page-has-nothing-yet") }}
        <template #acts>
          <v-btn variant="flat" color="primary" @click="$emit('starters')">{{
            say("running-order-begin-starter")
          }}</v-btn>
          <button v-if="!desk.onCard" class="quiet" @click="moves.addBand([7, 5])">
            {{ say("running-order-begin-two-empty-columns") }}
          </button>
        </template>
      </EmptyPlace>
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
  gap: 4px;
  align-items: center;
  min-height: 36px;
  padding: 5px 10px 2px 14px;
}
.title h2 {
  margin-right: auto;
}
.find {
  width: 170px;
  padding: 3px 8px;
  border: 1px solid var(--accent);
  border-radius: 6px;
  background: var(--field);
}
.scroll {
  flex: 1;
  overflow-y: auto;
  padding-bottom: 8px;
  /* What changes within lays nothing out anew beside it. */
  contain: size layout;
}
@media (max-width: 900px) {
  .scroll {
    contain: none;
  }
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
.fold {
  margin: 0;
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
  border-top: 1.5px dashed var(--signal-line);
}
.nothing,
.finder,
.bare {
  padding: 4px 12px 4px 34px;
}
.rest {
  margin: 8px 14px;
  font-size: 12px;
}
.nothing .quiet {
  font-size: 12px;
}
</style>
