<script setup lang="ts">
import { computed, ref, watch } from "vue";
import type { Answer, ApiError } from "../../api/client";
import ProductsPick from "../../ui/products/ProductsPick.vue";
import ShiftList from "./ShiftList.vue";
import type { CardPlace, Moving, Purpose, Reach, Shifted, Template, TemplatesView } from "./useTemplates";
import MomentInput from "../../ui/fields/MomentInput.vue";
import MoneyInput from "../../ui/fields/MoneyInput.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import ChipsField from "../../ui/fields/ChipsField.vue";
import OneOf from "../../ui/fields/OneOf.vue";
import { say } from "../../words";

/** A template's name and the rules that say which products it serves, with what a change moves before it is kept. */
const props = defineProps<{
  template: Template;
  purpose: Purpose;
  view: TemplatesView;
  save: (id: number, name: string, reach: Reach) => Promise<ApiError | null>;
  shift: (moving: Moving, dry: boolean) => Promise<Answer<Shifted>>;
}>();
const emit = defineEmits<{ close: [] }>();

type Rule = Reach["rule"];
type Feature = "options" | "pictures" | "plan";
const RULES: { value: Rule; says: string }[] = [
  { value: "named", says: say("reach-dialog-only-products-named-below") },
  { value: "types", says: say("reach-dialog-products-some-types") },
  { value: "tags", says: say("reach-dialog-products-tag") },
  { value: "prices", says: say("reach-dialog-products-price-span") },
  { value: "has", says: say("reach-dialog-products-have-something") },
  { value: "all", says: say("reach-dialog-all-products") },
];
const FEATURES: { value: Feature; title: string }[] = [
  { value: "options", title: say("reach-dialog-options") },
  { value: "pictures", title: say("reach-dialog-pictures") },
  { value: "plan", title: say("reach-dialog-plan") },
];

const { reach: was } = props.template;
const fallback = was.rule === "fallback";
const name = ref(props.template.name);
const rule = ref<Rule>(was.rule);
const types = ref(was.rule === "types" ? [...was.types] : []);
const tags = ref(was.rule === "tags" ? [...was.tags] : []);
const features = ref<Feature[]>(was.rule === "has" ? [...was.features] : []);
const pence = 10 ** props.view.decimals;
const least = ref(was.rule === "prices" && was.least != null ? String(was.least / pence) : "");
const most = ref(was.rule === "prices" && was.most != null ? String(was.most / pence) : "");
const also = ref([...(was.also ?? [])]);
const except = ref([...(was.except ?? [])]);
const from = ref(was.from ?? "");
const until = ref(was.until ?? "");
const on = ref(was.on ?? true);
const PLACES: { value: CardPlace; title: string }[] = [
  { value: "listing", title: say("reach-dialog-listings") },
  { value: "related", title: say("reach-dialog-related-products") },
  { value: "cart", title: say("reach-dialog-cart") },
];
/** Where its cards stand; everywhere where none is named. */
const places = ref<CardPlace[]>(was.places?.length ? [...was.places] : PLACES.map((one) => one.value));
const problem = ref("");

function minor(text: string): number | null {
  const sum = Number(text.replace(",", "."));
  return text.trim() === "" || Number.isNaN(sum) ? null : Math.round(sum * pence);
}
const reach = computed((): Reach => {
  const common = {
    also: also.value,
    except: except.value,
    on: on.value,
    ...(props.purpose === "card" ? { places: places.value } : {}),
    ...(from.value ? { from: from.value } : {}),
    ...(until.value ? { until: until.value } : {}),
  };
  switch (rule.value) {
    case "types":
      return { rule: "types", types: types.value, ...common };
    case "tags":
      return { rule: "tags", tags: tags.value, ...common };
    case "has":
      return { rule: "has", features: features.value, ...common };
    case "prices":
      return { rule: "prices", least: minor(least.value), most: minor(most.value), ...common };
    case "fallback":
      return { rule: "fallback", also: also.value };
    case "named":
      return { rule: "named", ...common, except: [] };
    default:
      return { rule: rule.value, ...common };
  }
});

const shifted = ref<Shifted | null>(null);
/** What somebody else did meanwhile; it stops nobody. */
const meanwhile = ref("");
async function look(): Promise<void> {
  const now = reach.value;
  const { data, error } = await props.shift({ what: "reach", template: props.template.id, reach: now }, true);
  if (now !== reach.value) return;
  shifted.value = data ?? null;
  problem.value = error?.message ?? "";
}
watch(reach, look, { immediate: true });

async function submit(): Promise<void> {
  const error = await props.save(props.template.id, name.value, reach.value);
  if (!error) return emit("close");
  const others = error.code === "rearranged";
  meanwhile.value = others ? error.message : "";
  if (others) await look();
  else problem.value = error.message;
}
</script>

<template>
  <DialogSheet
    :title="say('reach-dialog-name-reach')"
    :label="purpose === 'card' ? say('reach-dialog-reach-card') : say('reach-dialog-reach-template')"
    :width="620"
    :act="say('reach-dialog-save')"
    :ready="problem === ''"
    @submit.prevent="submit"
    @close="emit('close')"
  >
    <label class="field">
      <span class="called">{{ say("reach-dialog-name") }}</span>
      <TextInput v-model="name" maxlength="120" />
    </label>
    <p v-if="fallback" class="soft">{{ say("reach-dialog-template-serves-every-product") }}</p>
    <template v-else>
      <div class="field">
        <span class="called" aria-hidden="true">{{ say("reach-dialog-serves") }}</span>
        <OneOf v-model="rule" :options="RULES" :label="say('reach-dialog-serves')" />
      </div>
      <fieldset v-if="rule === 'types'">
        <legend class="unseen">{{ say("reach-dialog-types") }}</legend>
        <label v-for="type in view.types" :key="type.kind.handle" class="tick">
          <TickBox v-model="types" :value="type.kind.handle" />
          {{ type.kind.name }} <span class="soft">{{ type.products }}</span>
        </label>
      </fieldset>
      <ChipsField
        v-else-if="rule === 'tags'"
        v-model="tags"
        :items="view.tags"
        :label="say('reach-dialog-one-these-tags')"
      />
      <fieldset v-else-if="rule === 'has'" class="row">
        <legend class="unseen">{{ say("reach-dialog-what-they-have") }}</legend>
        <label v-for="one in FEATURES" :key="one.value" class="tick">
          <TickBox v-model="features" :value="one.value" /> {{ one.title }}
        </label>
      </fieldset>
      <div v-else-if="rule === 'prices'" class="pair">
        <label class="field">
          <span class="called">{{ say("reach-dialog-from", { currency: view.currency }) }}</span>
          <MoneyInput v-model="least" />
        </label>
        <label class="field">
          <span class="called">{{ say("reach-dialog-up", { currency: view.currency }) }}</span>
          <MoneyInput v-model="most" />
        </label>
      </div>
    </template>
    <fieldset v-if="purpose === 'card'" class="row">
      <legend>{{ say("reach-dialog-stands") }}</legend>
      <label v-for="one in PLACES" :key="one.value" class="tick">
        <TickBox v-model="places" :value="one.value" :disabled="places.length === 1 && places[0] === one.value" />
        {{ one.title }}
      </label>
    </fieldset>
    <ProductsPick
      v-model="also"
      :label="rule === 'named' ? say('reach-dialog-products') : say('reach-dialog-these-products')"
      :named="view.named"
    />
    <template v-if="!fallback">
      <ProductsPick
        v-if="rule !== 'named'"
        v-model="except"
        :label="say('reach-dialog-but-not-these')"
        :named="view.named"
      />
      <div class="pair">
        <label class="field">
          <span class="called">{{ say("reach-dialog-from-shops-clocks") }}</span>
          <MomentInput v-model="from" :none="say('reach-dialog-once')" />
        </label>
        <label class="field">
          <span class="called">{{ say("reach-dialog-ends-itself") }}</span>
          <MomentInput v-model="until" :none="say('reach-dialog-never')" />
        </label>
      </div>
    </template>
    <label v-if="!fallback" class="tick"
      ><TickBox v-model="on" /> {{ purpose === "card" ? say("reach-dialog-card-use") : say("reach-dialog-use") }}</label
    >
    <p v-if="meanwhile" class="signal" role="alert">{{ meanwhile }}</p>
    <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
    <ShiftList v-else-if="shifted" :shifted="shifted" :view="view" :live="template.live" :card="purpose === 'card'" />
  </DialogSheet>
</template>

<style scoped>
fieldset {
  display: grid;
  margin: 0;
  grid-template-columns: 1fr 1fr;
  gap: 6px 14px;
  padding: 0;
  border: 0;
}
legend {
  margin-bottom: 4px;
  padding: 0;
  color: var(--soft);
}
.row {
  grid-template-columns: repeat(3, auto);
  justify-content: start;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  align-items: center;
}
</style>
