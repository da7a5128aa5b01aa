<script setup lang="ts">
import { mdiContentCopy, mdiDeleteOutline, mdiPlus } from "@mdi/js";
import { computed, ref } from "vue";
import SlipField from "./SlipField.vue";
import { injectMoves } from "./keys";
import type { Field } from "./types";
import { useSlip } from "./useSlip";

type Group = "says" | "looks" | "phones";
const moves = injectMoves();
const slip = useSlip();
const wanted = ref<Group>("looks");

const groups = computed(() => {
  const fields = slip.value?.fields ?? [];
  const all: { group: Group; name: string; fields: Field[] }[] = [
    { group: "says", name: "Says", fields: fields.filter((f) => f.group === "says") },
    { group: "looks", name: "Looks", fields: fields.filter((f) => f.group === "looks") },
    { group: "phones", name: "On phones", fields: fields.filter((f) => f.phone) },
  ];
  return all.filter((g) => g.fields.length > 0);
});
const group = computed(() => groups.value.find((g) => g.group === wanted.value) ?? groups.value[0] ?? null);

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
        <v-menu v-if="moves.band.value">
          <template #activator="{ props: menu }">
            <button v-bind="menu" class="tool" title="Add a band below" aria-label="Add a band below">
              <v-icon :icon="mdiPlus" size="16" />
            </button>
          </template>
          <v-list>
            <v-list-item title="Whole width" @click="moves.addBand([12])" />
            <v-list-item title="Two columns, 7 + 5" @click="moves.addBand([7, 5])" />
            <v-list-item title="Two columns, 6 + 6" @click="moves.addBand([6, 6])" />
            <v-list-item title="Three columns" @click="moves.addBand([4, 4, 4])" />
          </v-list>
        </v-menu>
        <button v-else class="tool" title="Copy, D" aria-label="Copy this piece" @click="moves.copy">
          <v-icon :icon="mdiContentCopy" size="15" />
        </button>
        <button class="tool" title="Remove, Delete" aria-label="Remove this" @click="moves.remove">
          <v-icon :icon="mdiDeleteOutline" size="16" />
        </button>
      </div>
      <div class="groups" role="tablist" @keydown.left="turn(-1)" @keydown.right="turn(1)">
        <button
          v-for="one in groups"
          :id="`slip-${one.group}`"
          :key="one.group"
          role="tab"
          :aria-selected="one.group === group.group"
          :tabindex="one.group === group.group ? 0 : -1"
          @click="wanted = one.group"
        >
          {{ one.name }}
        </button>
      </div>
      <div class="fields" role="tabpanel">
        <SlipField
          v-for="field in group.fields"
          :key="`${JSON.stringify(slip.target)}-${group.group}-${field.key}`"
          :field="field"
          :device="group.group === 'phones' ? 'phone' : 'wide'"
          :target="slip.target"
        />
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
.tool {
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border-radius: 5px;
  color: var(--soft);
}
.tool:hover {
  background: var(--paper);
  color: var(--ink);
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
.none {
  padding: 14px;
}
</style>
