<script setup lang="ts">
import { mdiBrushVariant, mdiContentCopy, mdiDeleteOutline, mdiUndoVariant } from "@mdi/js";
import { computed, ref } from "vue";
import BandColumns from "./BandColumns.vue";
import KeptBands from "./KeptBands.vue";
import ScopePick from "./ScopePick.vue";
import SlipField from "./SlipField.vue";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import type { Device, Field, Situation } from "./types";
import { useScope } from "./useScope";
import { useSlip } from "./useSlip";

type Group = "says" | "looks" | "phones" | "when";
const props = defineProps<{ facts: Situation | null }>();
const desk = useDesk();
const moves = injectMoves();
const { product } = useScope();
const slip = useSlip();
const wanted = ref<Group>("looks");
const narrow = ref<Device>("phone");
/** Parts of a group that are folded out; they stay so until they are folded in again. */
const KEPT = "slip-parts";
const open = ref(new Set((localStorage.getItem(KEPT) ?? "").split("|").filter(Boolean)));

const groups = computed(() => {
  const fields = slip.value?.fields ?? [];
  const of = (...names: Field["group"][]) => fields.filter((f) => names.includes(f.group));
  const all: { group: Group; name: string; fields: Field[] }[] = [
    { group: "says", name: "Says", fields: of("says") },
    { group: "looks", name: "Looks", fields: of("looks", "setting") },
    { group: "phones", name: "On phones", fields: fields.filter((f) => f.phone && f.group !== "when") },
    { group: "when", name: "Appears when", fields: of("when") },
  ];
  return all.filter((g) => g.fields.length > 0);
});
const group = computed(() => groups.value.find((g) => g.group === wanted.value) ?? groups.value[0] ?? null);
const device = computed((): Device => (group.value?.group === "phones" ? narrow.value : "wide"));
/** What belongs together stands in parts, folded until they are wanted; what every piece has comes last. */
const COMMON = "Text, colour, border, space";
const first = computed(() => group.value?.fields.filter((f) => f.group !== "setting" && !f.part) ?? []);
const parts = computed(() => {
  const found = new Map<string, Field[]>();
  for (const field of group.value?.fields ?? []) {
    const name = field.group === "setting" ? COMMON : field.part;
    if (name) found.set(name, [...(found.get(name) ?? []), field]);
  }
  return [...found].map(([name, fields]) => ({
    name,
    fields,
    set: fields.filter((f) => explained(f)?.source.level === desk.scope).length,
  }));
});
function fold(part: string): void {
  if (!open.value.delete(part)) open.value.add(part);
  localStorage.setItem(KEPT, [...open.value].join("|"));
}

function explained(field: Field) {
  return (device.value === "wide" ? null : field[device.value]) ?? field.wide;
}

/** What of this group is set here, so that it can be rejoined at once. */
const own = computed(() => {
  const keys = new Set(group.value?.fields.map((f) => f.key));
  const values = slip.value ? moves.valuesOf(slip.value.target) : undefined;
  const set =
    group.value?.group === "phones" ? [values?.tablet, values?.phone] : [values?.wide, values?.tablet, values?.phone];
  return [...new Set(set.flatMap((v) => Object.keys(v ?? {})))].filter((key) => keys.has(key));
});
const ownOfAll = computed(() => {
  const values = slip.value ? moves.valuesOf(slip.value.target) : undefined;
  return [values?.wide, values?.tablet, values?.phone].reduce((sum, v) => sum + Object.keys(v ?? {}).length, 0);
});
/** Others of the same kind on this page, and the settings that are looks. */
const twins = computed(() => {
  const here = moves.line.value?.piece;
  return here ? desk.order.filter((line) => line.piece.kind === here.kind && line.piece.id !== here.id) : [];
});
const looks = computed(() =>
  (slip.value?.fields ?? []).filter((f) => f.group === "looks" || f.group === "setting").map((f) => f.key),
);
/** Where what the piece shows of the product is changed. */
const TOLD = ["title", "summary", "details", "facts"];
const ofProduct = computed(() => {
  const kind = moves.line.value?.piece.kind;
  if (!kind || !desk.look || product.value?.sample || group.value?.group !== groups.value[0]?.group) return null;
  const params = { handle: desk.look.product };
  if (TOLD.includes(kind)) return { says: "What this product says here", to: { name: "texts", params } };
  if (kind !== "gallery") return null;
  return { says: "The pictures of this product", to: { name: "pictures", params } };
});
const linkedBand = computed(() => (moves.line.value?.band ?? moves.band.value)?.kept != null);
const verdict = computed(() => {
  const target = JSON.stringify(slip.value?.target);
  return props.facts?.verdicts.find((v) => JSON.stringify(v.target) === target) ?? null;
});

const tooSmall = computed(() => {
  const here = group.value?.group === "says" || group.value?.group === "looks";
  return here ? (props.facts?.weight.too_small.filter((s) => s.piece === moves.line.value?.piece.id) ?? []) : [];
});

function turn(step: number): void {
  const at = groups.value.findIndex((g) => g.group === group.value?.group);
  const next = groups.value[(at + step + groups.value.length) % groups.value.length];
  if (next) {
    wanted.value = next.group;
    document.getElementById(`slip-${next.group}`)?.focus();
  }
}
</script>

<template>
  <div class="slip" role="region" aria-label="Slip">
    <template v-if="slip && group">
      <div class="title">
        <h2>{{ moves.title.value }}</h2>
        <button
          v-if="ownOfAll > 0"
          class="tool"
          :title="`Rejoin: drop all ${ownOfAll} values set here`"
          aria-label="Rejoin all values of this"
          @click="moves.rejoin([slip.target])"
        >
          <v-icon :icon="mdiUndoVariant" size="15" />
        </button>
        <v-menu v-if="twins.length">
          <template #activator="{ props: menu }">
            <button
              v-bind="menu"
              class="tool"
              title="Looks of others of its kind"
              aria-label="Looks of others of its kind"
            >
              <v-icon :icon="mdiBrushVariant" size="15" />
            </button>
          </template>
          <v-list>
            <v-list-item
              v-for="twin in twins"
              :key="twin.piece.id"
              :title="`Take the looks of ${twin.number}`"
              @click="moves.giveLooks({ piece: twin.piece.id }, looks, [slip.target])"
            />
            <v-list-item
              :title="twins.length === 1 ? 'Give it these looks' : `Give all ${twins.length} others these looks`"
              @click="
                moves.giveLooks(
                  slip.target,
                  looks,
                  twins.map((twin) => ({ piece: twin.piece.id })),
                )
              "
            />
          </v-list>
        </v-menu>
        <KeptBands v-if="moves.band.value" :key="moves.band.value.id" :band="moves.band.value" />
        <button v-else class="tool" title="Copy, D" aria-label="Copy this piece" @click="moves.copy">
          <v-icon :icon="mdiContentCopy" size="15" />
        </button>
        <button class="tool" title="Remove, Delete" aria-label="Remove this" @click="moves.remove">
          <v-icon :icon="mdiDeleteOutline" size="16" />
        </button>
      </div>
      <p v-if="linkedBand" class="soft linked">Linked: what changes here changes elsewhere too.</p>
      <ScopePick />
      <div
        class="groups"
        role="tablist"
        aria-label="Groups of settings"
        @keydown.left="turn(-1)"
        @keydown.right="turn(1)"
      >
        <button
          v-for="one in groups"
          :id="`slip-${one.group}`"
          :key="one.group"
          role="tab"
          aria-controls="slip-fields"
          :aria-selected="one.group === group.group"
          :tabindex="one.group === group.group ? 0 : -1"
          @click="wanted = one.group"
        >
          {{ one.name }}
        </button>
      </div>
      <div id="slip-fields" class="fields" role="tabpanel" :aria-labelledby="`slip-${group.group}`" tabindex="0">
        <router-link v-if="ofProduct" class="quiet there" :to="ofProduct.to">{{ ofProduct.says }}</router-link>
        <p v-for="small in tooSmall" :key="small.why" class="signal small">{{ small.why }}</p>
        <BandColumns v-if="moves.band.value && group.group === 'looks'" :band="moves.band.value" />
        <v-btn-toggle v-if="group.group === 'phones'" v-model="narrow" class="narrow" aria-label="Screen">
          <v-btn value="phone">Phones</v-btn>
          <v-btn value="tablet">Tablets</v-btn>
        </v-btn-toggle>
        <SlipField
          v-for="field in first"
          :key="`${JSON.stringify(slip.target)}-${group.group}-${device}-${field.key}`"
          :field="field"
          :device="device"
          :target="slip.target"
          :verdict="verdict"
        />
        <template v-for="part in parts" :key="part.name">
          <button class="more" :aria-expanded="open.has(part.name)" @click="fold(part.name)">
            {{ open.has(part.name) ? "–" : "+" }} {{ part.name }}
            <span v-if="!open.has(part.name) && part.set" class="signal">{{ part.set }} set</span>
          </button>
          <template v-if="open.has(part.name)">
            <SlipField
              v-for="field in part.fields"
              :key="`${JSON.stringify(slip.target)}-${group.group}-${device}-${field.key}`"
              :field="field"
              :device="device"
              :target="slip.target"
              :verdict="verdict"
            />
          </template>
        </template>
        <button v-if="own.length > 1" class="quiet all" @click="moves.rejoin([slip.target], own)">
          Rejoin all {{ own.length }} of “{{ group.name }}”
        </button>
      </div>
    </template>
    <p v-else class="soft none">Choose a line in the order, or point at something in a proof.</p>
  </div>
</template>

<style scoped>
.slip {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-top: 1px solid var(--line);
  background: #fff;
  box-shadow: 0 -6px 14px -12px rgb(30 30 20 / 50%);
}
.title {
  display: flex;
  align-items: center;
  gap: 2px;
  padding: 7px 10px 3px 14px;
}
.title h2 {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.linked {
  margin: 0;
  padding: 0 14px 3px;
  font-size: 11px;
}
.groups {
  display: flex;
  gap: 16px;
  padding: 0 14px;
  border-bottom: 1px solid var(--line);
}
.groups button {
  padding: 5px 0 7px;
  color: var(--soft);
  font-weight: 600;
  white-space: nowrap;
}
.groups [aria-selected="true"] {
  color: var(--ink);
  box-shadow: inset 0 -3px 0 var(--accent);
}
.fields {
  flex: 1;
  padding: 8px 0 12px;
  overflow-y: auto;
}
.fields:focus-visible {
  outline-offset: -2px;
}
.narrow {
  margin: 2px 14px 6px;
}
.more {
  display: flex;
  gap: 8px;
  width: 100%;
  padding: 7px 14px;
  color: var(--soft);
  font-weight: 600;
  text-align: left;
}
.small {
  margin: 4px 14px;
  font-size: 12px;
}
.there {
  display: block;
  margin: 2px 10px 6px;
}
.all {
  margin: 8px 10px 0;
}
.none {
  padding: 14px;
}
</style>
