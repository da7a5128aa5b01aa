<script setup lang="ts">
import { ref, watch } from "vue";
import { useTyping } from "../../useTyping";
import TextInput from "../../../../ui/fields/TextInput.vue";
import { say } from "../../../../words";

/** A table whose first row is its head. A table copied in a spreadsheet can be pasted as it is. */
const props = defineProps<{ modelValue: string[][]; columns: number; rows: number; most: number }>();
const emit = defineEmits<{ "update:modelValue": [table: string[][]] }>();
const table = ref<string[][]>([]);
const problem = ref("");
const typing = useTyping(keep, () => (table.value = props.modelValue.map((row) => [...row])));
watch(
  () => props.modelValue,
  (value) => {
    if (!typing.busy.value) table.value = value.map((row) => [...row]);
  },
  { immediate: true },
);

function keep(): boolean {
  if (JSON.stringify(table.value) !== JSON.stringify(props.modelValue))
    emit(
      "update:modelValue",
      table.value.map((r) => [...r]),
    );
  return true;
}
function begin(): void {
  table.value = [
    ["", say("table-field-one"), say("table-field-two")],
    [say("table-field-first"), "", ""],
  ];
  keep();
}
function addRow(): void {
  table.value.push((table.value[0] ?? []).map(() => ""));
  keep();
}
function addColumn(): void {
  table.value.forEach((row) => row.push(""));
  keep();
}
function removeRow(): void {
  table.value.pop();
  keep();
}
function removeColumn(): void {
  table.value.forEach((row) => row.pop());
  keep();
}

function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData("text/plain") ?? "";
  if (!text.includes("\t")) return;
  event.preventDefault();
  const cells = text
    .trimEnd()
    .split(/\r?\n/)
    .map((line) => line.split("\t").map((cell) => cell.trim()));
  const width = Math.max(...cells.map((row) => row.length));
  const tooLong = cells.flat().some((cell) => cell.length > props.most);
  if (cells.length > props.rows || width > props.columns || tooLong) {
    problem.value = say("table-field-table-holds-rows-columns", {
      rows: props.rows,
      columns: props.columns,
      most: props.most,
    });
    return;
  }
  problem.value = "";
  table.value = cells.map((row) => [...row, ...Array<string>(width - row.length).fill("")]);
  keep();
}
</script>

<template>
  <div class="table" @paste="paste">
    <button v-if="table.length === 0" type="button" class="quiet" @click="begin">
      {{ say("table-field-begin-table") }}
    </button>
    <template v-else>
      <div class="cells" :style="{ gridTemplateColumns: `repeat(${table[0]?.length ?? 1}, minmax(64px, 1fr))` }">
        <template v-for="(row, r) in table" :key="r">
          <TextInput
            v-for="(_, c) in row"
            :key="c"
            v-model="row[c]"
            bare
            :class="{ head: r === 0 || c === 0 }"
            :maxlength="most"
            :aria-label="say('table-field-row-column', { r: r + 1, c: c + 1 })"
            @input="typing.go"
            @blur="typing.end"
          />
        </template>
      </div>
      <div class="acts">
        <button v-if="table.length < rows" type="button" class="quiet" @click="addRow">
          {{ say("table-field-add-row") }}
        </button>
        <button v-if="(table[0]?.length ?? 0) < columns" type="button" class="quiet" @click="addColumn">
          {{ say("table-field-add-column") }}
        </button>
        <button type="button" class="quiet" @click="removeRow">{{ say("table-field-drop-last-row") }}</button>
        <button v-if="(table[0]?.length ?? 0) > 1" type="button" class="quiet" @click="removeColumn">
          {{ say("table-field-drop-last-column") }}
        </button>
      </div>
    </template>
    <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.cells {
  display: grid;
  overflow-x: auto;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
}
input {
  min-width: 0;
  padding: 4px 6px;
  border: 0;
  border-right: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
}
.head {
  background: var(--paper);
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  padding-top: 4px;
}
.signal {
  margin: 4px 0 0;
  font-size: 12px;
}
</style>
