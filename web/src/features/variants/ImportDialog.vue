<script setup lang="ts">
import { computed, ref, watch } from "vue";
import type { ApiError } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { type Report, bringCsv, checkCsv } from "../../api/csv";
import FilePick from "../../ui/fields/FilePick.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import { say } from "../../words";

/** The columns of a file, which have the same names in every language. */
const CSV = { product: "product", sku: "sku", price: "price", old: "old price", stock: "stock" };

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
const variants = (count: number): string => say("import-dialog-variants", { count });
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="say('import-dialog-bring-variants-from-csv')"
    :label="say('import-dialog-bring-csv')"
    :width="640"
    :leave="state === 'brought' || nothingNew ? say('import-dialog-close') : say('import-dialog-cancel')"
    :persistent="state === 'bringing'"
  >
    <ProblemNote :problem="problem" />
    <template v-if="state === 'choosing' || state === 'checking'">
      <p class="soft">
        {{ say("import-dialog-one-variant-line-columns") }} <code>{{ CSV.product }}</code>
        {{ say("import-dialog-last-part-pages-address") }} <code>{{ CSV.sku }}</code>{{
          say("import-dialog-where-wanted")
        }}
        <code>{{ CSV.price }}</code>, <code>{{ CSV.old }}</code>, <code>{{ CSV.stock }}</code>{{
          say("import-dialog-every-other-column-has")
        }}
      </p>
      <ProgressLine v-if="state === 'checking'" :label="say('import-dialog-file-read')" />
    </template>
    <template v-else-if="report && wrong.length">
      <p role="alert">
        <b>{{ file?.name }}</b> {{ say("import-dialog-has-mistakes-so-nothing", { count: wrong.length }) }}
      </p>
      <div class="mistakes">
        <table>
          <thead>
            <tr>
              <th>{{ say("import-dialog-line") }}</th>
              <th>{{ say("import-dialog-column") }}</th>
              <th>{{ say("import-dialog-what-wrong") }}</th>
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
          {{ say("import-dialog-nothing-changes") }} <b>{{ file?.name }}</b>
          {{
            say("import-dialog-tells-all-they", { same: variants(report.same), products: report.products.join(", ") })
          }}
        </template>
        <template v-else>
          <b>{{ file?.name }}</b>
          {{
            say("import-dialog-and-of", {
              state: state === "brought" ? say("import-dialog-has-added") : say("import-dialog-adds"),
              added: variants(report.added),
              state2: state === "brought" ? say("import-dialog-changed") : say("import-dialog-changes"),
              changed: variants(report.changed),
              products: report.products.join(", "),
            })
          }}<template v-if="report.same">{{ say("import-dialog-stay-they", { same: variants(report.same) }) }}</template
          >.
        </template>
      </p>
      <p v-if="report.new_values.length">
        {{
          say("import-dialog-new-values", {
            new_values: report.new_values.slice(0, 12).join(", "),
            count:
              report.new_values.length > 12 ? say("import-dialog-more", { count: report.new_values.length - 12 }) : "",
          })
        }}
      </p>
      <ProgressLine
        v-if="state === 'bringing'"
        :label="say('import-dialog-lines-written', { rows, lines })"
        :done="rows"
        :of="lines"
      />
    </template>
    <template #first>
      <span v-if="state === 'bringing'" class="soft" role="status">{{
        say("import-dialog-lines", { rows, lines })
      }}</span>
      <FilePick ref="field" accept=".csv,text/csv" @picked="picked" />
    </template>
    <template #acts>
      <v-btn v-if="state === 'ready' && !wrong.length && !nothingNew" variant="flat" color="primary" @click="bring">
        {{ say("import-dialog-bring-lines", { lines }) }}
      </v-btn>
      <v-btn
        v-else-if="state !== 'bringing' && state !== 'brought'"
        variant="flat"
        color="primary"
        @click="field?.open()"
      >
        {{ say("import-dialog-choose-file") }}
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
