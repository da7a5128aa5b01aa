<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProductPick from "../../ui/products/ProductPick.vue";
import LadderChart from "./LadderChart.vue";
import { type PricesView, written } from "./usePrices";
import MomentInput from "../../ui/fields/MomentInput.vue";
import NumberInput from "../../ui/fields/NumberInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import PickField from "../../ui/fields/PickField.vue";
import { dayOf } from "../../ui/when";
import { say } from "../../words";

/** Any variant, quantity, cart and time: what it costs under the draft, and how that comes about. */
const props = defineProps<{ view: PricesView }>();
const product = ref<string | null>("");
const sku = ref("");
const quantity = ref(1);
const other = ref<string | null>(null);
const otherQuantity = ref(1);
const at = ref("");
const plan = ref(0);
const onto = ref(false);
const tried = ref<Schemas["Tried"] | null>(null);
const problem = ref<ApiError | null>(null);
let turn = 0;

const named = computed(() => [...props.view.named, ...(props.view.first ? [props.view.first] : [])]);
watch(
  () => props.view.first,
  (any) => {
    const ruled = props.view.rules.find((rule) => rule.products > 0 && rule.reach.of === "products");
    const first = ruled?.reach.of === "products" ? ruled.reach.products[0] : undefined;
    if (product.value === "") product.value = first ?? any?.handle ?? "";
  },
  { immediate: true },
);
watch(product, () => ([sku.value, plan.value, onto.value] = ["", 0, false]));
watch(
  [product, sku, quantity, other, otherQuantity, at, plan, onto, () => props.view.revision],
  async () => {
    if (!product.value || !(quantity.value > 0)) return;
    const asked = ++turn;
    const cart = other.value === null ? [] : [{ product: other.value, sku: null, quantity: otherQuantity.value || 1 }];
    const body = {
      product: product.value,
      sku: sku.value || null,
      quantity: quantity.value,
      cart,
      at: at.value || null,
      plan: plan.value || null,
      written: onto.value,
    };
    const { data, error } = await ask(api.POST("/api/prices/try", { body }));
    if (asked !== turn) return;
    problem.value = error ?? null;
    if (data) tried.value = data;
  },
  { immediate: true },
);

const taken = computed(() => tried.value?.plans.find((one) => one.taken));
</script>

<template>
  <section class="bench" :aria-label="say('price-bench-test-bench')">
    <h2>{{ say("price-bench-test-bench") }}</h2>
    <div class="asked">
      <ProductPick v-model="product" :label="say('price-bench-product')" :named="named" />
      <label>
        <span class="soft">{{ say("price-bench-variant") }}</span>
        <PickField v-model="sku">
          <option v-for="one in tried?.skus" :key="one" :value="one === tried?.skus[0] ? '' : one">{{ one }}</option>
        </PickField>
      </label>
      <label>
        <span class="soft">{{ say("price-bench-pieces") }}</span>
        <NumberInput v-model="quantity" :least="1" :most="99" />
      </label>
      <ProductPick
        v-model="other"
        :label="say('price-bench-also-cart')"
        :named="named"
        :none="say('price-bench-nothing')"
      />
      <label v-if="other">
        <span class="soft">{{ say("price-bench-pieces-b") }}</span>
        <NumberInput v-model="otherQuantity" :least="1" :most="99" />
      </label>
      <label v-if="tried?.plans.length">
        <span class="soft">{{ say("price-bench-plan") }}</span>
        <PickField v-model="plan">
          <option v-if="tried.once" :value="0">{{ say("price-bench-once") }}</option>
          <option v-for="one in tried.plans" :key="one.id" :value="!tried.once && one === tried.plans[0] ? 0 : one.id">
            {{ one.says }}
          </option>
        </PickField>
      </label>
      <label v-if="tried?.surcharge" class="tick">
        <span class="soft">{{ say("price-bench-text") }}</span>
        <TickBox v-model="onto" />
      </label>
      <label>
        <span class="soft">{{ say("price-bench-when") }}</span>
        <MomentInput v-model="at" :none="say('price-bench-now')" />
      </label>
    </div>
    <ProblemNote :problem="problem" />
    <div v-if="tried" class="answer">
      <div class="price">
        <span>
          <strong>{{ written(tried.unit) }}</strong>
          <s v-if="tried.old" class="soft">{{ written(tried.old) }}</s>
          <span v-if="tried.saving" class="signal">−{{ tried.saving.percent }} %</span>
        </span>
        <span class="soft">{{ quantity }} × {{ written(tried.unit) }} = {{ written(tried.line) }}</span>
        <span v-if="tried.lowest && tried.lowest_at" class="soft">
          {{
            say("price-bench-lowest-30-days-before", {
              amount: written(tried.lowest.amount),
              lowest_at: dayOf(tried.lowest_at),
            })
          }}
        </span>
        <span v-if="tried.next" class="soft">
          {{
            say("price-bench-more-each", {
              more: tried.next.more,
              unit: written(tried.next.unit),
              percent: tried.next.percent,
            })
          }}
        </span>
      </div>
      <ol>
        <li>
          <span>{{ say("price-bench-price-variant") }}</span> <b>{{ written(tried.base) }}</b>
        </li>
        <li v-for="work in tried.working" :key="work.rule" :class="{ idle: !work.applied }">
          <span>
            {{ work.name }} <span class="soft">{{ work.says }}</span>
          </span>
          <b>{{ work.price }}</b>
        </li>
        <li v-if="taken && tried.planned && tried.planned.minor < tried.ruled.minor">
          <span
            >{{ say("price-bench-plan") }} <span class="soft">{{ taken.says }}</span></span
          >
          <b>{{ written(tried.ruled) }} → {{ written(tried.planned) }}</b>
        </li>
        <li v-if="onto && tried.surcharge">
          <span
            >{{ say("price-bench-writing-onto") }}
            <span class="soft">{{ say("price-bench-nothing-lowers") }}</span></span
          >
          <b>+{{ written(tried.surcharge) }}</b>
        </li>
        <li v-if="tried.others" class="idle">
          <span class="soft">{{ say("price-bench-other-rules-arent", { others: tried.others }) }}</span>
        </li>
      </ol>
      <LadderChart v-if="tried.ladder.length > 1" :ladder="tried.ladder" :quantity="quantity" />
    </div>
  </section>
</template>

<style scoped>
.bench {
  display: grid;
  gap: 10px;
  padding: 12px 14px 16px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--field);
}
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
}
label {
  display: grid;
  gap: 2px;
}
select,
input {
  max-width: 200px;
}
input {
  width: 66px;
}
.tick input {
  width: 18px;
  margin-top: 5px;
}
.answer {
  display: grid;
  grid-template-columns: 170px minmax(220px, 1fr) minmax(200px, 1fr);
  gap: 18px;
  align-items: start;
}
@media (max-width: 900px) {
  .answer {
    grid-template-columns: minmax(0, 1fr);
  }
}
.price {
  display: grid;
  gap: 3px;
}
.price > span:first-child {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: baseline;
}
strong {
  font: 600 24px var(--heading);
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  padding: 4px 0;
  border-bottom: 1px solid var(--hair);
}
li b {
  white-space: nowrap;
}
.idle b {
  color: var(--soft);
  font-weight: 400;
}
</style>
