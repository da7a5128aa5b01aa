<script setup lang="ts">
import { computed } from "vue";
import { useDesk } from "./deskStore";
import { injectMoves } from "./keys";
import type { Value } from "./types";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** Two people set the same value: the later one is shown the earlier one's and chooses. */
const desk = useDesk();
const moves = injectMoves();

const values = computed(() => {
  const op = desk.clash?.op;
  if (op?.op !== "set") return null;
  const theirs = moves.valuesOf(op.target)?.[op.device]?.[op.setting];
  return { theirs: words(theirs), mine: words(op.value) };
});

function words(value: Value | null | undefined): string {
  if (value === null || value === undefined) return "inherited";
  if (typeof value === "boolean") return value ? say("clash-dialog-on") : say("clash-dialog-off");
  if (typeof value === "object")
    return Array.isArray(value) ? value.flat().join(" · ") : say("clash-dialog-another-condition");
  return (
    String(value)
      .replace(/<[^>]+>/g, " ")
      .trim() || say("clash-dialog-nothing")
  );
}
</script>

<template>
  <DialogSheet
    :model-value="desk.clash !== null"
    :title="say('clash-dialog-somebody-else-was-here')"
    :width="460"
    leave=""
    persistent
    role="alertdialog"
    :aria-label="say('clash-dialog-somebody-else-was-here')"
  >
    <p>{{ desk.clash?.message }}</p>
    <dl v-if="values">
      <dt>{{ say("clash-dialog-theirs-now") }}</dt>
      <dd data-test="theirs">{{ values.theirs }}</dd>
      <dt>{{ say("clash-dialog-yours") }}</dt>
      <dd data-test="mine">{{ values.mine }}</dd>
    </dl>
    <template #acts>
      <v-btn @click="desk.clash?.mine()">{{ say("clash-dialog-use-mine") }}</v-btn>
      <v-btn variant="flat" color="primary" autofocus @click="desk.clash?.theirs()">{{
        say("clash-dialog-use-theirs")
      }}</v-btn>
    </template>
  </DialogSheet>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 16px;
  margin: 0;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
</style>
