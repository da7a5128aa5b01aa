<script setup lang="ts">
import { computed, onMounted, ref, watch } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import TypedInput from "../../ui/TypedInput.vue";
import type { PricesControl, PricesView } from "./usePrices";
import { written } from "./usePrices";
import RadioBox from "../../ui/fields/RadioBox.vue";
import PickField from "../../ui/fields/PickField.vue";
import { dayOf, onThe } from "../../ui/when";
import { say } from "../../words";

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
  { step: 1, title: say("price-ways-smallest-coin") },
  { step: 5, title: "5" },
  { step: 10, title: "10" },
  { step: 50, title: "50" },
  { step: 100, title: "100" },
];
const PLACES: { place: keyof PricesView["places"]; title: string }[] = [
  { place: "page", title: say("price-ways-pages") },
  { place: "card", title: say("price-ways-cards") },
  { place: "quick", title: say("price-ways-quick-looks") },
];
type Policy = PricesView["places"]["page"];
const POLICIES: { policy: Policy; says: string; about: string }[] = [
  { policy: "with_quantity", says: say("price-ways-number-rises"), about: say("price-ways-shopper-raises-number") },
  { policy: "once_earned", says: say("price-ways-once-earned"), about: say("price-ways-once-cart-has-earned") },
  { policy: "at_once", says: say("price-ways-once"), about: say("price-ways-once-condition") },
];
function policy(place: keyof PricesView["places"], now: Policy): void {
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
      <h2 class="signal">{{ say("price-ways-mend") }}</h2>
      <p v-for="one in toMend" :key="one.sku" class="mend">
        <router-link :to="{ name: 'variants', params: { handle: one.product }, query: { selling: 1 } }">{{
          one.name
        }}</router-link>
        {{
          say("price-ways-shows-old-price-30-n", {
            typed: written(one.typed),
            since: dayOf(one.since),
            amount: written(one.lowest.amount),
          })
        }}
      </p>
    </template>
    <h2>{{ say("price-ways-old-prices") }}</h2>
    <label>
      <span class="soft">{{ say("price-ways-taken-from") }}</span>
      <PickField :model-value="view.old" @update:model-value="change('old', $event)">
        <option value="typed">{{ say("price-ways-what-typed-before-rule") }}</option>
        <option value="lowest">{{ say("price-ways-lowest-price-30-days") }}</option>
      </PickField>
    </label>
    <table class="policies">
      <caption class="soft">
        {{
          say("price-ways-rule-makes-present-price")
        }}
      </caption>
      <thead>
        <tr>
          <td />
          <th v-for="one in POLICIES" :key="one.policy" scope="col" :title="one.about">{{ one.says }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ place, title } in PLACES" :key="place">
          <th scope="row">{{ title }}</th>
          <td v-for="one in POLICIES" :key="one.policy">
            <RadioBox
              :model-value="view.places[place]"
              :value="one.policy"
              :name="place"
              :aria-label="`${title}: ${one.about}`"
              :title="one.about"
              @update:model-value="policy(place, one.policy)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <h2>{{ say("price-ways-vat") }}</h2>
    <div class="two">
      <label>
        <span class="soft">{{ say("price-ways-rate") }}</span>
        <TypedInput
          :value="view.vat.percent"
          :keep="(percent) => vat({ percent })"
          inputmode="decimal"
          :placeholder="say('price-ways-none')"
        />
      </label>
      <label>
        <span class="soft">{{ say("price-ways-prices-shown") }}</span>
        <PickField :model-value="view.vat.shown" @update:model-value="vat({ shown: $event })">
          <option value="with">{{ say("price-ways-with-it") }}</option>
          <option value="without">{{ say("price-ways-without") }}</option>
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
        :aria-label="say('price-ways-rate-percent', { kind: typeName(own.kind) })"
      />
      <button
        class="quiet"
        :aria-label="say('price-ways-no-rate-own', { kind: typeName(own.kind) })"
        @click="dropRate(own.kind)"
      >
        {{ say("price-ways-remove") }}
      </button>
    </div>
    <PickField
      v-if="other.length"
      :aria-label="say('price-ways-another-rate-type')"
      model-value=""
      @update:model-value="addRate"
    >
      <option value="">{{ say("price-ways-another-rate-type-b") }}</option>
      <option v-for="type in other" :key="type.handle" :value="type.handle">{{ type.name }}</option>
    </PickField>
    <h2>{{ say("price-ways-amounts") }}</h2>
    <div class="two">
      <label>
        <span class="soft">{{ say("price-ways-written") }}</span>
        <PickField :model-value="view.style.unit" @update:model-value="style({ unit: $event })">
          <option value="sign">{{ say("price-ways-sign") }}</option>
          <option value="code">{{ say("price-ways-with", { currency: view.currency }) }}</option>
          <option value="none">{{ say("price-ways-plain-number") }}</option>
        </PickField>
      </label>
      <label>
        <span class="soft">{{ say("price-ways-whole-amounts") }}</span>
        <PickField
          :model-value="view.style.zeros ? 'on' : 'off'"
          @update:model-value="style({ zeros: $event === 'on' })"
        >
          <option value="on">{{ say("price-ways-zeros") }}</option>
          <option value="off">{{ say("price-ways-without-zeros") }}</option>
        </PickField>
      </label>
    </div>
    <div class="two">
      <label>
        <span class="soft">{{ say("price-ways-percentages-round") }}</span>
        <PickField
          :model-value="view.rounding.down ? 'down' : 'near'"
          @update:model-value="round({ down: $event === 'down' })"
        >
          <option value="near">{{ say("price-ways-nearest") }}</option>
          <option value="down">{{ say("price-ways-down") }}</option>
        </PickField>
      </label>
      <label>
        <span class="soft">{{ say("price-ways-to") }}</span>
        <PickField :model-value="view.rounding.step" @update:model-value="round({ step: $event })">
          <option v-for="one in ROUNDS" :key="one.step" :value="one.step">{{ one.title }}</option>
        </PickField>
      </label>
    </div>
    <p class="soft">{{ say("price-ways-shops-clocks", { now: onThe(view.now) }) }}</p>
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
:is(label, .two, .rate, select, .mend, .policies) + h2 {
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
.policies {
  border-collapse: collapse;
}
.policies caption {
  padding-bottom: 4px;
  text-align: left;
}
.policies th {
  padding: 3px 4px 3px 0;
  color: var(--soft);
  font-weight: 400;
  text-align: left;
}
.policies thead th {
  width: 25%;
  padding: 0 4px 3px;
  font-size: 12px;
  line-height: 1.2;
  vertical-align: bottom;
}
.policies tbody tr {
  border-top: 1px solid var(--line);
}
.policies td {
  padding: 4px;
}
.policies input {
  width: 16px;
}
.mend {
  margin: 0;
}
p {
  margin: 0;
}
</style>
