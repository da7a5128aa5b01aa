<script setup lang="ts">
import { computed, ref, watch } from "vue";
import type { ApiError } from "../../api/client";
import ProblemNote from "../../ui/ProblemNote.vue";
import { type Report, bringCsv, checkCsv } from "../../api/csv";
import FilePick from "../../ui/fields/FilePick.vue";
import DialogSheet from "../../ui/DialogSheet.vue";

/** Brings variants in from a file: what it would do is shown first, and a file with a mistake does nothing. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ brought: [] }>();
const file = ref<File | null>(null);
const report = ref<Report | null>(null);
const problem = ref<ApiError | null>(null);
const rows = ref(0);
const state = ref<"choosing" | "checking" | "ready" | "bringing" | "brought">("choosing");
const field = ref<InstanceType<typeof FilePick> | null>(null);
watch(open, (now) => {
  if (now && state.value !== "bringing") begin();
});
function begin(): void {
  [file.value, report.value, problem.value, state.value] = [null, null, null, "choosing"];
}
async function picked([wanted]: File[]): Promise<void> {
  if (!wanted) return;
  file.value = wanted;
  state.value = "checking";
  const { report: now, error } = await checkCsv(wanted);
  [report.value, problem.value, state.value] = [now ?? null, error ?? null, now ? "ready" : "choosing"];
}
async function bring(): Promise<void> {
  if (!file.value) return;
  rows.value = 0;
  state.value = "bringing";
  const { report: now, error } = await bringCsv(file.value, (written) => (rows.value = written));
  problem.value = error ?? null;
  if (now) report.value = now;
  state.value = now?.mistakes.length === 0 ? "brought" : "ready";
  if (state.value === "brought") emit("brought");
}
const lines = computed(() => report.value?.lines ?? 0);
const nothingNew = computed(() => {
  const told = report.value;
  return told !== null && !told.mistakes.length && told.added + told.changed === 0;
});
const wrong = computed(() => report.value?.mistakes ?? []);
const variants = (count: number): string => (count === 1 ? "1 variant" : `${count} variants`);
</script>

<template>
  <DialogSheet
    v-model="open"
    title="Bring in variants from a CSV file"
    label="Bring in a CSV"
    :width="640"
    :leave="state === 'brought' || nothingNew ? 'Close' : 'Cancel'"
    :persistent="state === 'bringing'"
  >
    <ProblemNote :problem="problem" />
    <template v-if="state === 'choosing' || state === 'checking'">
      <p class="soft">
        One variant a line. Columns, in any order: <code>product</code> (the last part of its page's address),
        <code>sku</code>, and where wanted <code>price</code>, <code>old price</code>, <code>stock</code>. Every other
        column has the name of an option and holds a value; * is any. A SKU that is there is changed, a new one added;
        other variants stay. “Save as CSV” gives a file to begin with.
      </p>
      <v-progress-linear v-if="state === 'checking'" indeterminate color="primary" aria-label="The file is read" />
    </template>
    <template v-else-if="report && wrong.length">
      <p role="alert">
        <b>{{ file?.name }}</b> has {{ wrong.length === 1 ? "1 mistake" : `${wrong.length} mistakes` }}, so nothing was
        taken. Mend them and choose the file again.
      </p>
      <div class="mistakes">
        <table>
          <thead>
            <tr>
              <th>Line</th>
              <th>Column</th>
              <th>What is wrong</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(mistake, index) in wrong" :key="index">
              <td>{{ mistake.line }}</td>
              <td>{{ mistake.column }}</td>
              <td>{{ mistake.says }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
    <template v-else-if="report">
      <p>
        <template v-if="nothingNew">
          Nothing changes: <b>{{ file?.name }}</b> tells all {{ variants(report.same) }} of
          {{ report.products.join(", ") }} as they are.
        </template>
        <template v-else>
          <b>{{ file?.name }}</b> {{ state === "brought" ? "has added" : "adds" }} {{ variants(report.added) }} and
          {{ state === "brought" ? "changed" : "changes" }} {{ variants(report.changed) }} of
          {{ report.products.join(", ")
          }}<template v-if="report.same">; {{ variants(report.same) }} stay as they are</template>.
        </template>
      </p>
      <p v-if="report.new_values.length">
        New values: {{ report.new_values.slice(0, 12).join(", ")
        }}{{ report.new_values.length > 12 ? ` and ${report.new_values.length - 12} more` : "" }}.
      </p>
      <v-progress-linear
        v-if="state === 'bringing'"
        :model-value="(rows / lines) * 100"
        color="primary"
        height="6"
        :aria-label="`${rows} of ${lines} lines are written`"
      />
    </template>
    <template #first>
      <span v-if="state === 'bringing'" class="soft" role="status">{{ rows }} of {{ lines }} lines</span>
      <FilePick ref="field" accept=".csv,text/csv" @picked="picked" />
    </template>
    <template #acts>
      <v-btn v-if="state === 'ready' && !wrong.length && !nothingNew" variant="flat" color="primary" @click="bring">
        Bring in {{ lines === 1 ? "1 line" : `${lines} lines` }}
      </v-btn>
      <v-btn
        v-else-if="state !== 'bringing' && state !== 'brought'"
        variant="flat"
        color="primary"
        @click="field?.open()"
      >
        Choose a file
      </v-btn>
    </template>
  </DialogSheet>
</template>

<style scoped>
code {
  font-weight: 600;
}
.mistakes {
  max-height: 320px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  text-align: left;
}
th,
td {
  padding: 4px 10px;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}
td:nth-child(2) {
  white-space: nowrap;
}
</style>
