<script setup lang="ts">
import { ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import { type PricesControl, written } from "./usePrices";
import DialogSheet from "../../ui/DialogSheet.vue";
import { LOCALE, say } from "../../words";

/** Which products' prices move once the draft is in force, from what to what; then it can be put in force. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ control: PricesControl }>();
const moves = ref<Schemas["PriceMove"][] | null>(null);
const count = ref(0);
const problem = ref<ApiError | null>(null);
watch(open, async (now) => {
  if (!now) return;
  moves.value = null;
  const { data, error } = await ask(api.GET("/api/prices/moves"));
  [moves.value, count.value, problem.value] = [data?.moves ?? null, data?.count ?? 0, error ?? null];
});
async function publish(): Promise<void> {
  if (await props.control.publish()) open.value = false;
  else problem.value = props.control.problem.value;
}
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="say('moves-dialog-what-moves-once')"
    :width="620"
    :act="say('moves-dialog-publish')"
    :ready="moves !== null"
    @submit.prevent="publish"
  >
    <ProgressLine v-if="!moves && !problem" />
    <ProblemNote :problem="problem" />
    <EmptyPlace v-if="moves?.length === 0">{{ say("moves-dialog-no-price-moves-moment") }}</EmptyPlace>
    <div v-else-if="moves" class="moves" tabindex="0">
      <table>
        <thead>
          <tr>
            <th>{{ say("moves-dialog-prices", { count, count2: count.toLocaleString(LOCALE) }) }}</th>
            <th>{{ say("moves-dialog-variant-moves-most") }}</th>
            <th>{{ say("moves-dialog-from") }}</th>
            <th>{{ say("moves-dialog-to") }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="move in moves" :key="`${move.product} ${move.plan ?? ''}`">
            <td>{{ move.name }}</td>
            <td class="soft">
              {{ move.sku }}{{ move.pieces > 1 ? say("moves-dialog-from-pieces", { pieces: move.pieces }) : ""
              }}{{ move.plan ? `, ${move.plan}` : "" }}
            </td>
            <td>{{ written(move.before) }}</td>
            <td>
              <b>{{ written(move.after) }}</b>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="count > moves.length" class="soft">
        {{ say("moves-dialog-first-what-changes-where", { count: moves.length }) }}
      </p>
    </div>
  </DialogSheet>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  color: var(--soft);
  font-weight: 600;
}
th,
td {
  padding: 5px 8px 5px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
}
th:nth-child(n + 3),
td:nth-child(n + 3) {
  text-align: right;
}
</style>
