<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/ProblemNote.vue";
import { written } from "../prices/usePrices";
import MoneyInput from "../../ui/fields/MoneyInput.vue";
import NumberInput from "../../ui/fields/NumberInput.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import PickField from "../../ui/fields/PickField.vue";
import { type SellingForm, sellingOf } from "./selling";
import DialogSheet from "../../ui/DialogSheet.vue";

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
    const text = { label: "Name on it", lines: 1, most: 20, signs: "any" as const, surcharge: "", needed: false };
    form.value.text = on ? (view.value?.text ?? text) : null;
  },
});
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="`How ${view?.name ?? 'it'} is sold`"
    label="How it is sold"
    :width="640"
    act="Save"
    :ready="form !== null"
    :busy="keeping"
    @submit.prevent="keep"
  >
    <ProblemNote :problem="problem" />
    <div v-if="form && view" class="all" :inert="keeping">
      <div class="row">
        <label>
          <span class="soft">Price, {{ view.currency }}</span>
          <MoneyInput v-model="form.price" />
        </label>
        <label>
          <span class="soft">Old price</span>
          <MoneyInput v-model="form.old_price" placeholder="none" />
        </label>
        <label>
          <span class="soft">It is</span>
          <PickField v-model="form.state">
            <option v-if="form.state === 'new' || view.state === 'new'" value="new">not on sale yet</option>
            <option value="on_sale">on sale</option>
            <option value="coming_soon">coming soon</option>
            <option value="withdrawn">withdrawn</option>
          </PickField>
        </label>
      </div>
      <p v-if="view.overstated" class="signal">
        The old price is too high: in the 30 days before the present price it cost {{ written(view.overstated) }}.
        <button type="button" class="quiet" @click="form.old_price = view.honest">Take that one</button>
      </p>
      <details v-if="view.history.length">
        <summary class="soft">
          {{ view.history.length === 1 ? "One earlier price" : `${view.history.length} earlier prices` }}
        </summary>
        <ul>
          <li v-for="past in view.history" :key="past.until + (past.sku ?? '')">
            <span>{{ past.sku ?? "the product" }}</span>
            <b>{{ past.was ? written(past.was) : "the product's price" }}</b>
            <span class="soft">until {{ past.until.slice(0, 10) }}</span>
          </li>
        </ul>
      </details>
      <h2>How many</h2>
      <div class="row">
        <label>
          <span class="soft">At least</span>
          <NumberInput v-model="form.least" :least="1" :most="99" />
        </label>
        <label>
          <span class="soft">In steps of</span>
          <NumberInput v-model="form.step" :least="1" :most="99" />
        </label>
        <label>
          <span class="soft">At most in one order</span>
          <NumberInput
            :model-value="form.most_per_order ?? null"
            :least="1"
            :most="99"
            none
            placeholder="any number"
            @update:model-value="form.most_per_order = $event"
          />
        </label>
      </div>
      <label class="tick">
        <TickBox v-model="onto" />
        <span>Shoppers may write something onto it</span>
      </label>
      <template v-if="form.text">
        <label>
          <span class="soft">What is asked for</span>
          <TextInput v-model="form.text.label" maxlength="60" />
        </label>
        <div class="row">
          <label>
            <span class="soft">Lines</span>
            <NumberInput v-model="form.text.lines" :least="1" :most="6" />
          </label>
          <label>
            <span class="soft">Characters a line</span>
            <NumberInput v-model="form.text.most" :least="1" :most="60" />
          </label>
          <label>
            <span class="soft">Allowed characters</span>
            <PickField v-model="form.text.signs">
              <option value="any">any</option>
              <option value="letters">letters</option>
              <option value="letters_and_digits">letters and digits</option>
            </PickField>
          </label>
          <label>
            <span class="soft">Surcharge, {{ view.currency }}</span>
            <MoneyInput v-model="form.text.surcharge" placeholder="none" />
          </label>
        </div>
        <label class="tick">
          <TickBox v-model="form.text.needed" />
          <span>It can't be bought without</span>
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
