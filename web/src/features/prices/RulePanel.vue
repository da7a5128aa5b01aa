<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp, mdiClose, mdiPlus } from "@mdi/js";
import { computed } from "vue";
import { useDraftForm } from "../../session/useDraftField";
import MetNote from "../../ui/notes/MetNote.vue";
import ProductsPick from "../../ui/products/ProductsPick.vue";
import ReachPick from "./ReachPick.vue";
import { type PricesControl, type RuleForm, formOf } from "./usePrices";
import MomentInput from "../../ui/fields/MomentInput.vue";
import MoneyInput from "../../ui/fields/MoneyInput.vue";
import NumberInput from "../../ui/fields/NumberInput.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import PickField from "../../ui/fields/PickField.vue";
import { say } from "../../words";

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
  name: say("rule-panel-name"),
  reach: say("rule-panel-what"),
  steps: say("rule-panel-what-takes-off"),
  counted: say("rule-panel-how-pieces-counted"),
  total: say("rule-panel-carts-total"),
  with: say("rule-panel-what-must-cart"),
  from: say("rule-panel-beginning"),
  until: say("rule-panel-end"),
  on: say("rule-panel-whether"),
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
  <form class="panel" :aria-label="say('rule-panel-chosen-rule')" @submit.prevent="keep">
    <MetNote :met="met.map((field) => CALLED[field] ?? field)" @take="met.forEach(takeTheirs)" />
    <label>
      <span class="soft">{{ say("rule-panel-name-carts-show") }}</span>
      <TextInput v-model="form.name" maxlength="80" :placeholder="say('rule-panel-spring-sale')" />
    </label>
    <ReachPick v-model="form.reach" :view="control.view.value" />
    <fieldset>
      <legend class="soft">{{ form.steps.length > 1 ? say("rule-panel-steps") : say("rule-panel-takes-off") }}</legend>
      <div v-for="(step, index) in form.steps" :key="index" class="step">
        <span class="soft">{{ say("rule-panel-from") }}</span>
        <NumberInput
          v-model="step.from"
          :least="1"
          :most="999"
          :aria-label="say('rule-panel-step-from-so-many', { index: index + 1 })"
        />
        <PickField v-model="step.kind" :aria-label="say('rule-panel-step-what-does', { index: index + 1 })">
          <option value="percent">{{ say("rule-panel-less") }}</option>
          <option value="amount">{{ say("rule-panel-less-b", { currency: control.view.value?.currency }) }}</option>
          <option value="fixed">{{ say("rule-panel-each", { currency: control.view.value?.currency }) }}</option>
        </PickField>
        <MoneyInput v-model="step.value" :aria-label="say('rule-panel-step-how-much', { index: index + 1 })" />
        <button
          v-if="form.steps.length > 1"
          type="button"
          class="tool"
          :aria-label="say('rule-panel-remove-step', { index: index + 1 })"
          @click="form.steps.splice(index, 1)"
        >
          <v-icon :icon="mdiClose" size="14" />
        </button>
      </div>
      <button type="button" class="quiet" @click="more">
        <v-icon :icon="mdiPlus" size="14" /> {{ say("rule-panel-another-step") }}
      </button>
    </fieldset>
    <label v-if="form.steps.some((step) => step.from > 1)">
      <span class="soft">{{ say("rule-panel-pieces-counted") }}</span>
      <PickField v-model="form.counted">
        <option value="variant">{{ say("rule-panel-one-variant") }}</option>
        <option value="product">{{ say("rule-panel-one-product") }}</option>
        <option value="lines">{{ say("rule-panel-everything") }}</option>
      </PickField>
    </label>
    <label>
      <span class="soft">{{ say("rule-panel-only-carts-least", { currency: control.view.value?.currency }) }}</span>
      <MoneyInput v-model="form.total" :placeholder="say('rule-panel-any')" />
    </label>
    <div class="with">
      <ProductsPick
        v-model="company"
        :label="say('rule-panel-only-one-these-cart')"
        :named="control.view.value?.named ?? []"
        :none="say('rule-panel-anything')"
      />
      <span v-if="form.with?.length && form.reach.of === 'products'" class="soft">{{
        say("rule-panel-offered-once-one-them")
      }}</span>
    </div>
    <div class="dates">
      <label>
        <span class="soft">{{ say("rule-panel-from-b") }}</span>
        <MomentInput
          :none="say('rule-panel-once')"
          :model-value="form.from ?? ''"
          @update:model-value="form.from = $event"
        />
      </label>
      <label>
        <span class="soft">{{ say("rule-panel-until") }}</span>
        <MomentInput
          :none="say('rule-panel-good')"
          :model-value="form.until ?? ''"
          @update:model-value="form.until = $event"
        />
      </label>
    </div>
    <label class="check"
      ><TickBox v-model="form.on" /> <span>{{ say("rule-panel-on") }}</span></label
    >
    <div class="acts">
      <v-btn type="submit" variant="outlined" :disabled="!changed">{{ say("rule-panel-save") }}</v-btn>
      <template v-if="known">
        <button type="button" class="tool" :aria-label="say('rule-panel-earlier-order')" @click="control.move(id, -1)">
          <v-icon :icon="mdiArrowUp" size="16" />
        </button>
        <button type="button" class="tool" :aria-label="say('rule-panel-later-order')" @click="control.move(id, 1)">
          <v-icon :icon="mdiArrowDown" size="16" />
        </button>
        <span class="space" />
        <button type="button" class="quiet" @click="remove">{{ say("rule-panel-remove") }}</button>
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
