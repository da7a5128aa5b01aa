<script setup lang="ts">
import { computed, onMounted, ref, watch } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import TypedInput from "../../ui/TypedInput.vue";
import type { PricesControl, PricesView } from "./usePrices";
import { written } from "./usePrices";
import PickField from "../../ui/fields/PickField.vue";

/** How prices are shown: where an old price comes from and when it stands there, tax, rounding, signs. */
const props = defineProps<{ view: PricesView; control: PricesControl }>();
const { change } = props.control;

/** Typed old prices that are too high, of the prices in force: told once they are found, and anew after publishing. */
const toMend = ref<Schemas["Overstated"][]>([]);
async function find(): Promise<void> {
  const { data } = await ask(api.GET("/api/prices/overstated"));
  if (data) toMend.value = data;
}
onMounted(find);
watch(
  () => props.view.changes_not_live === 0,
  (live) => live && void find(),
);

const ROUNDS = [
  { step: 1, title: "the smallest coin" },
  { step: 5, title: "5" },
  { step: 10, title: "10" },
  { step: 50, title: "50" },
  { step: 100, title: "100" },
];
const PLACES: { place: keyof PricesView["places"]; title: string }[] = [
  { place: "page", title: "on pages" },
  { place: "card", title: "on cards" },
  { place: "quick", title: "in quick looks" },
];
function policy(place: keyof PricesView["places"], now: PricesView["places"]["page"]): void {
  void change("places", { ...props.view.places, [place]: now });
}
const round = (part: Partial<PricesView["rounding"]>) => change("rounding", { ...props.view.rounding, ...part });
const style = (part: Partial<PricesView["style"]>) => change("style", { ...props.view.style, ...part });
const vat = (part: Partial<PricesView["vat"]>) => change("vat", { ...props.view.vat, ...part });

const typeName = (handle: string): string => props.view.types.find((type) => type.handle === handle)?.name ?? handle;
const other = computed(() =>
  props.view.types.filter((type) => !props.view.vat.types.some((own) => own.kind === type.handle)),
);
function addRate(kind: string): void {
  if (kind !== "") void vat({ types: [...props.view.vat.types, { kind, percent: "0" }] });
}
function setRate(kind: string, percent: string): Promise<boolean> {
  return vat({ types: props.view.vat.types.map((own) => (own.kind === kind ? { kind, percent } : own)) });
}
function dropRate(kind: string): void {
  void vat({ types: props.view.vat.types.filter((own) => own.kind !== kind) });
}
</script>

<template>
  <div class="ways">
    <template v-if="toMend.length">
      <h2 class="signal">To mend</h2>
      <p v-for="one in toMend" :key="one.sku" class="mend">
        <router-link :to="{ name: 'variants', params: { handle: one.product }, query: { selling: 1 } }">{{
          one.name
        }}</router-link>
        shows {{ written(one.typed) }} as its old price. In the 30 days before {{ one.since.slice(0, 10) }} it cost
        {{ written(one.lowest.amount) }}.
      </p>
    </template>
    <h2>Old prices</h2>
    <label>
      <span class="soft">are taken from</span>
      <PickField :model-value="view.old" @update:model-value="change('old', $event)">
        <option value="typed">what is typed, or before a rule</option>
        <option value="lowest">the lowest price of 30 days</option>
      </PickField>
    </label>
    <label v-for="{ place, title } in PLACES" :key="place">
      <span class="soft">set by a rule, {{ title }}</span>
      <PickField :model-value="view.places[place]" @update:model-value="policy(place, $event)">
        <option value="with_quantity">as the shopper raises the number</option>
        <option value="once_earned">once the cart has earned it</option>
        <option value="at_once">at once, with the condition</option>
      </PickField>
    </label>
    <h2>VAT</h2>
    <div class="two">
      <label>
        <span class="soft">Rate, %</span>
        <TypedInput
          :value="view.vat.percent"
          :keep="(percent) => vat({ percent })"
          inputmode="decimal"
          placeholder="none"
        />
      </label>
      <label>
        <span class="soft">Prices are shown</span>
        <PickField :model-value="view.vat.shown" @update:model-value="vat({ shown: $event })">
          <option value="with">with it</option>
          <option value="without">without it</option>
        </PickField>
      </label>
    </div>
    <div v-for="own in view.vat.types" :key="own.kind" class="rate">
      <span>{{ typeName(own.kind) }}</span>
      <TypedInput
        :value="own.percent"
        :keep="(percent) => setRate(own.kind, percent)"
        :of="own.kind"
        inputmode="decimal"
        :aria-label="`Rate of ${typeName(own.kind)}, in percent`"
      />
      <button class="quiet" :aria-label="`No rate of its own for ${typeName(own.kind)}`" @click="dropRate(own.kind)">
        Remove
      </button>
    </div>
    <PickField v-if="other.length" aria-label="Another rate for a type" model-value="" @update:model-value="addRate">
      <option value="">Another rate for a type …</option>
      <option v-for="type in other" :key="type.handle" :value="type.handle">{{ type.name }}</option>
    </PickField>
    <h2>Amounts</h2>
    <div class="two">
      <label>
        <span class="soft">Written</span>
        <PickField :model-value="view.style.unit" @update:model-value="style({ unit: $event })">
          <option value="sign">with the sign</option>
          <option value="code">with {{ view.currency }}</option>
          <option value="none">as a plain number</option>
        </PickField>
      </label>
      <label>
        <span class="soft">Whole amounts</span>
        <PickField
          :model-value="view.style.zeros ? 'on' : 'off'"
          @update:model-value="style({ zeros: $event === 'on' })"
        >
          <option value="on">with zeros</option>
          <option value="off">without zeros</option>
        </PickField>
      </label>
    </div>
    <div class="two">
      <label>
        <span class="soft">Percentages round</span>
        <PickField
          :model-value="view.rounding.down ? 'down' : 'near'"
          @update:model-value="round({ down: $event === 'down' })"
        >
          <option value="near">to the nearest</option>
          <option value="down">down</option>
        </PickField>
      </label>
      <label>
        <span class="soft">to</span>
        <PickField :model-value="view.rounding.step" @update:model-value="round({ step: $event })">
          <option v-for="one in ROUNDS" :key="one.step" :value="one.step">{{ one.title }}</option>
        </PickField>
      </label>
    </div>
    <p class="soft">The shop's clocks: {{ view.now.replace("T", ", ") }}.</p>
  </div>
</template>

<style scoped>
.ways,
label {
  display: grid;
  gap: 10px;
}
label {
  gap: 2px;
}
h2 + label,
h2 + .two {
  margin-top: -4px;
}
:is(label, .two, .rate, select, .mend) + h2 {
  margin-top: 8px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.rate {
  display: flex;
  gap: 8px;
  align-items: center;
}
.rate span {
  flex: 1;
}
.rate input {
  width: 62px;
}
input,
select {
  width: 100%;
}
.mend {
  margin: 0;
}
p {
  margin: 0;
}
</style>
