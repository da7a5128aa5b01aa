<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { written } from "../prices/usePrices";
import MoneyInput from "../../ui/fields/MoneyInput.vue";
import NumberInput from "../../ui/fields/NumberInput.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import PickField from "../../ui/fields/PickField.vue";
import { type SellingForm, sellingOf } from "./selling";
import DialogSheet from "../../ui/DialogSheet.vue";
import { dayOf } from "../../ui/when";
import { say } from "../../words";

/** How one product is sold: price, how many at a time, what shoppers may write onto it. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ handle: string }>();
const emit = defineEmits<{ kept: [] }>();
const view = ref<Schemas["SellingView"] | null>(null);
const form = ref<SellingForm | null>(null);
const problem = ref<ApiError | null>(null);
/** Whether it is being kept: what would be typed now wouldn't be. */
const keeping = ref(false);
const path = computed(() => ({ params: { path: { handle: props.handle } } }));

function take(now: Schemas["SellingView"]): void {
  view.value = now;
  form.value = sellingOf(now);
}
/** What isn't written here is taken over from what somebody else kept meanwhile. */
function follow(theirs: Schemas["SellingView"]): void {
  if (!view.value || !form.value) return;
  const [was, now] = [sellingOf(view.value), sellingOf(theirs)];
  const written = form.value;
  const own = Object.entries(written).filter(
    ([key, value]) => JSON.stringify(value) !== JSON.stringify(was[key as keyof SellingForm]),
  );
  form.value = { ...now, ...Object.fromEntries(own) };
  view.value = theirs;
}
watch(
  open,
  async (now) => {
    if (!now) return;
    // What was read when it was open last isn't shown: what is typed on it would be written over.
    [view.value, form.value] = [null, null];
    const { data, error } = await ask(api.GET("/api/products/{handle}/selling", path.value));
    problem.value = error ?? null;
    if (data) take(data);
  },
  { immediate: true },
);
async function keep(): Promise<void> {
  if (!form.value || !view.value) return;
  const body = { was: sellingOf(view.value), selling: form.value };
  keeping.value = true;
  const { data, error } = await ask(api.PUT("/api/products/{handle}/selling", { ...path.value, body }));
  keeping.value = false;
  problem.value = error ?? null;
  if (error?.code === "overtaken") {
    const { data: theirs } = await ask(api.GET("/api/products/{handle}/selling", path.value));
    if (theirs) follow(theirs);
  }
  if (!data) return;
  take(data);
  open.value = false;
  emit("kept");
}
const onto = computed({
  get: () => form.value?.text !== null,
  set: (on) => {
    if (!form.value) return;
    const text = {
      label: say("selling-dialog-name"),
      lines: 1,
      most: 20,
      signs: "any" as const,
      surcharge: "",
      needed: false,
    };
    form.value.text = on ? (view.value?.text ?? text) : null;
  },
});
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="say('selling-dialog-how-sold', { name: view?.name ?? say('selling-dialog-it') })"
    :label="say('selling-dialog-how-sold-b')"
    :width="640"
    :act="say('selling-dialog-save')"
    :ready="form !== null"
    @submit.prevent="keep"
  >
    <ProblemNote :problem="problem" />
    <div v-if="form && view" class="all" :inert="keeping">
      <div class="row">
        <label>
          <span class="soft">{{ say("selling-dialog-price", { currency: view.currency }) }}</span>
          <MoneyInput v-model="form.price" />
        </label>
        <label>
          <span class="soft">{{ say("selling-dialog-old-price") }}</span>
          <MoneyInput v-model="form.old_price" :placeholder="say('selling-dialog-none')" />
        </label>
        <label>
          <span class="soft">{{ say("selling-dialog-it-is") }}</span>
          <PickField v-model="form.state">
            <option v-if="form.state === 'new' || view.state === 'new'" value="new">
              {{ say("selling-dialog-not-sale-yet") }}
            </option>
            <option value="on_sale">{{ say("selling-dialog-sale") }}</option>
            <option value="coming_soon">{{ say("selling-dialog-coming-soon") }}</option>
            <option value="withdrawn">{{ say("selling-dialog-withdrawn") }}</option>
          </PickField>
        </label>
      </div>
      <p v-if="view.overstated" class="signal">
        {{ say("selling-dialog-old-price-too-high", { overstated: written(view.overstated) }) }}
        <button type="button" class="quiet" @click="form.old_price = view.honest">
          {{ say("selling-dialog-take-one") }}
        </button>
      </p>
      <details v-if="view.history.length">
        <summary class="soft">
          {{ say("selling-dialog-earlier-prices", { count: view.history.length }) }}
        </summary>
        <ul>
          <li v-for="past in view.history" :key="past.until + (past.sku ?? '')">
            <span>{{ past.sku ?? say("selling-dialog-product") }}</span>
            <b>{{ past.was ? written(past.was) : say("selling-dialog-products-price") }}</b>
            <span class="soft">{{ say("selling-dialog-until", { until: dayOf(past.until) }) }}</span>
          </li>
        </ul>
      </details>
      <h2>{{ say("selling-dialog-how-many") }}</h2>
      <div class="row">
        <label>
          <span class="soft">{{ say("selling-dialog-least") }}</span>
          <NumberInput v-model="form.least" :least="1" :most="99" />
        </label>
        <label>
          <span class="soft">{{ say("selling-dialog-steps") }}</span>
          <NumberInput v-model="form.step" :least="1" :most="99" />
        </label>
        <label>
          <span class="soft">{{ say("selling-dialog-most-one-order") }}</span>
          <NumberInput
            :model-value="form.most_per_order ?? null"
            :least="1"
            :most="99"
            none
            :placeholder="say('selling-dialog-any-number')"
            @update:model-value="form.most_per_order = $event"
          />
        </label>
      </div>
      <label class="tick">
        <TickBox v-model="onto" />
        <span>{{ say("selling-dialog-shoppers-may-write-something") }}</span>
      </label>
      <template v-if="form.text">
        <label>
          <span class="soft">{{ say("selling-dialog-what-asked") }}</span>
          <TextInput v-model="form.text.label" maxlength="60" />
        </label>
        <div class="row">
          <label>
            <span class="soft">{{ say("selling-dialog-lines") }}</span>
            <NumberInput v-model="form.text.lines" :least="1" :most="6" />
          </label>
          <label>
            <span class="soft">{{ say("selling-dialog-characters-line") }}</span>
            <NumberInput v-model="form.text.most" :least="1" :most="60" />
          </label>
          <label>
            <span class="soft">{{ say("selling-dialog-allowed-characters") }}</span>
            <PickField v-model="form.text.signs">
              <option value="any">{{ say("selling-dialog-any") }}</option>
              <option value="letters">{{ say("selling-dialog-letters") }}</option>
              <option value="letters_and_digits">{{ say("selling-dialog-letters-digits") }}</option>
            </PickField>
          </label>
          <label>
            <span class="soft">{{ say("selling-dialog-surcharge", { currency: view.currency }) }}</span>
            <MoneyInput v-model="form.text.surcharge" :placeholder="say('selling-dialog-none')" />
          </label>
        </div>
        <label class="tick">
          <TickBox v-model="form.text.needed" />
          <span>{{ say("selling-dialog-cant-bought-without") }}</span>
        </label>
      </template>
    </div>
  </DialogSheet>
</template>

<style scoped src="../../ui/form.css"></style>
<style scoped>
p {
  font-size: 14px;
}
ul {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 12px;
  padding: 3px 0;
}
</style>
