<script setup lang="ts">
import { mdiArrowUp, mdiDeleteOutline } from "@mdi/js";
import { ref, watch } from "vue";
import type { Schemas } from "../../../../api/client";
import { useTyping } from "../../useTyping";
import LongText from "../../../../ui/fields/LongText.vue";
import { say } from "../../../../words";

/** Entries of several parts: questions with answers, quotes with names. */
const props = defineProps<{ modelValue: string[][]; parts: Schemas["PartView"][]; count: number; label: string }>();
const emit = defineEmits<{ "update:modelValue": [rows: string[][]] }>();
const rows = ref<string[][]>([]);
const typing = useTyping(keep, () => (rows.value = props.modelValue.map((row) => [...row])));
watch(
  () => props.modelValue,
  (value) => {
    if (!typing.busy.value) rows.value = value.map((row) => [...row]);
  },
  { immediate: true },
);

function keep(): boolean {
  const clean = rows.value.map((row) => row.map((text) => text.replace(/\s+/g, " ")));
  if (JSON.stringify(clean) !== JSON.stringify(props.modelValue)) emit("update:modelValue", clean);
  return true;
}
function add(): void {
  rows.value.push(props.parts.map(() => ""));
  keep();
}
function remove(index: number): void {
  rows.value.splice(index, 1);
  keep();
}
function up(index: number): void {
  const [row] = rows.value.splice(index, 1);
  if (row) rows.value.splice(index - 1, 0, row);
  keep();
}
</script>

<template>
  <div class="rows">
    <fieldset v-for="(row, index) in rows" :key="index">
      <legend class="unseen">{{ label }} {{ index + 1 }}</legend>
      <div class="parts">
        <LongText
          v-for="(part, p) in parts"
          :key="part.label"
          v-model="row[p]"
          :placeholder="part.label"
          :aria-label="`${part.label} ${index + 1}`"
          :maxlength="part.most"
          :rows="part.most > 250 ? 2 : 1"
          @update:model-value="typing.go"
          @blur="typing.end"
        />
      </div>
      <div class="acts">
        <button
          type="button"
          :disabled="index === 0"
          :aria-label="say('rows-field-move-entry-up', { index: index + 1 })"
          @click="up(index)"
        >
          <v-icon :icon="mdiArrowUp" size="14" />
        </button>
        <button type="button" :aria-label="say('rows-field-remove-entry', { index: index + 1 })" @click="remove(index)">
          <v-icon :icon="mdiDeleteOutline" size="15" />
        </button>
      </div>
    </fieldset>
    <button v-if="rows.length < count" type="button" class="quiet" @click="add">
      {{ say("rows-field-add-entry") }}
    </button>
    <span v-else class="soft">{{ say("rows-field-entries-most", { count }) }}</span>
  </div>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 8px;
  justify-items: start;
}
fieldset {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 24px;
  gap: 4px;
  width: 100%;
  padding: 0;
  border: 0;
}
.parts {
  display: grid;
  gap: 3px;
}
.acts {
  display: grid;
  align-content: start;
}
.acts button {
  display: grid;
  place-items: center;
  width: 24px;
  height: 26px;
  color: var(--soft);
}
.acts button:disabled {
  opacity: 0.35;
}
</style>
