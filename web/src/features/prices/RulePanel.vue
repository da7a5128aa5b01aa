<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp, mdiClose, mdiPlus } from "@mdi/js";
import { computed } from "vue";
import { useDraftForm } from "../../session/useDraftField";
import MetNote from "../../ui/MetNote.vue";
import ProductsPick from "../../ui/products/ProductsPick.vue";
import ReachPick from "./ReachPick.vue";
import { type PricesControl, type RuleForm, formOf } from "./usePrices";
import MomentInput from "../../ui/fields/MomentInput.vue";
import MoneyInput from "../../ui/fields/MoneyInput.vue";
import NumberInput from "../../ui/fields/NumberInput.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import PickField from "../../ui/fields/PickField.vue";

/** What is set of a rule. It is kept as a whole, so that a half-written one changes nothing. */
const props = defineProps<{ control: PricesControl; id: number }>();
const emit = defineEmits<{ gone: [] }>();
const known = computed(() => props.control.view.value?.rules.find((rule) => rule.id === props.id));

const empty = (): RuleForm => ({
  id: props.id,
  name: "",
  reach: { of: "all" },
  except: [],
  steps: [{ from: 1, kind: "percent", value: "" }],
  counted: "product",
  total: "",
  with: [],
  from: "",
  until: "",
  on: true,
});
const { form, changed, met, takeTheirs, ...draft } = useDraftForm(
  () => `${props.id} ${known.value === undefined}`,
  () => (known.value ? formOf(known.value) : empty()),
);
const CALLED: Partial<Record<keyof RuleForm, string>> = {
  name: "the name",
  reach: "what it is for",
  steps: "what it takes off",
  counted: "how pieces are counted",
  total: "the cart's total",
  with: "what must be in the cart",
  from: "its beginning",
  until: "its end",
  on: "whether it is on",
};

const company = computed({ get: () => form.value.with ?? [], set: (to) => (form.value.with = to) });
function more(): void {
  const last = form.value.steps.at(-1);
  form.value.steps.push({ from: Math.min(999, (last?.from ?? 1) * 2), kind: last?.kind ?? "percent", value: "" });
}
const keep = () => draft.keep(props.control.keep);
async function remove(): Promise<void> {
  if (await props.control.remove(props.id)) emit("gone");
}
</script>

<template>
  <form class="panel" aria-label="The chosen rule" @submit.prevent="keep">
    <MetNote :met="met.map((field) => CALLED[field] ?? field)" @take="met.forEach(takeTheirs)" />
    <label>
      <span class="soft">Name, as carts show it</span>
      <TextInput v-model="form.name" maxlength="80" placeholder="Spring sale" />
    </label>
    <ReachPick v-model="form.reach" :view="control.view.value" />
    <fieldset>
      <legend class="soft">{{ form.steps.length > 1 ? "Steps" : "It takes off" }}</legend>
      <div v-for="(step, index) in form.steps" :key="index" class="step">
        <span class="soft">from</span>
        <NumberInput
          v-model="step.from"
          :least="1"
          :most="999"
          :aria-label="`Step ${index + 1}: from so many pieces`"
        />
        <PickField v-model="step.kind" :aria-label="`Step ${index + 1}: what it does`">
          <option value="percent">% less</option>
          <option value="amount">{{ control.view.value?.currency }} less</option>
          <option value="fixed">{{ control.view.value?.currency }} each</option>
        </PickField>
        <MoneyInput v-model="step.value" :aria-label="`Step ${index + 1}: how much`" />
        <button
          v-if="form.steps.length > 1"
          type="button"
          class="tool"
          :aria-label="`Remove step ${index + 1}`"
          @click="form.steps.splice(index, 1)"
        >
          <v-icon :icon="mdiClose" size="14" />
        </button>
      </div>
      <button type="button" class="quiet" @click="more"><v-icon :icon="mdiPlus" size="14" /> Another step</button>
    </fieldset>
    <label v-if="form.steps.some((step) => step.from > 1)">
      <span class="soft">Pieces are counted</span>
      <PickField v-model="form.counted">
        <option value="variant">of one variant</option>
        <option value="product">of one product</option>
        <option value="lines">of everything that it is for</option>
      </PickField>
    </label>
    <label>
      <span class="soft">Only in carts of at least, {{ control.view.value?.currency }}</span>
      <MoneyInput v-model="form.total" placeholder="any" />
    </label>
    <div class="with">
      <ProductsPick
        v-model="company"
        label="Only with one of these in the cart"
        :named="control.view.value?.named ?? []"
        none="anything"
      />
      <span v-if="form.with?.length && form.reach.of === 'products'" class="soft"
        >It is offered once one of them is added.</span
      >
    </div>
    <div class="dates">
      <label>
        <span class="soft">From</span>
        <MomentInput none="at once" :model-value="form.from ?? ''" @update:model-value="form.from = $event" />
      </label>
      <label>
        <span class="soft">Until</span>
        <MomentInput none="for good" :model-value="form.until ?? ''" @update:model-value="form.until = $event" />
      </label>
    </div>
    <label class="check"><TickBox v-model="form.on" /> <span>On</span></label>
    <div class="acts">
      <v-btn type="submit" variant="outlined" :disabled="!changed">Save</v-btn>
      <template v-if="known">
        <button type="button" class="tool" aria-label="Earlier in the order" @click="control.move(id, -1)">
          <v-icon :icon="mdiArrowUp" size="16" />
        </button>
        <button type="button" class="tool" aria-label="Later in the order" @click="control.move(id, 1)">
          <v-icon :icon="mdiArrowDown" size="16" />
        </button>
        <span class="space" />
        <button type="button" class="quiet" @click="remove">Remove</button>
      </template>
    </div>
  </form>
</template>

<style scoped>
.panel {
  display: grid;
  align-content: start;
  gap: 12px;
}
label:not(.check),
fieldset {
  display: grid;
  gap: 3px;
  min-width: 0;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0;
}
.step,
.check,
.acts {
  display: flex;
  gap: 6px;
  align-items: center;
}
.step > input {
  width: 58px;
}
.step > .field {
  flex: 1;
}
.dates {
  display: grid;
  gap: 8px;
}
.quiet {
  justify-self: start;
}
.space {
  flex: 1;
}
</style>
