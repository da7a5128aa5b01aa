<script setup lang="ts">
import { computed } from "vue";
import ProductsPick from "../../ui/products/ProductsPick.vue";
import type { PricesView, RuleForm } from "./usePrices";
import TextInput from "../../ui/fields/TextInput.vue";
import PickField from "../../ui/fields/PickField.vue";
import ChipsField from "../../ui/fields/ChipsField.vue";
import { say } from "../../words";

/** For which products something is: all, some types, tags, products or variants. */
const reach = defineModel<RuleForm["reach"]>({ required: true });
const props = defineProps<{ view: PricesView | null }>();

type Of = RuleForm["reach"]["of"];
const REACHES: { of: Of; title: string }[] = [
  { of: "all", title: say("reach-pick-everything") },
  { of: "types", title: say("reach-pick-types") },
  { of: "tags", title: say("reach-pick-tags") },
  { of: "products", title: say("reach-pick-products") },
  { of: "variants", title: say("reach-pick-variants-sku") },
];
function become(of: Of): void {
  const reaches: Record<Of, RuleForm["reach"]> = {
    all: { of: "all" },
    types: { of: "types", types: [] },
    tags: { of: "tags", tags: [] },
    products: { of: "products", products: [] },
    variants: { of: "variants", skus: [] },
  };
  reach.value = reaches[of];
}
const choices = computed(() => {
  const { of } = reach.value;
  if (of === "types") return (props.view?.types ?? []).map((one) => ({ value: one.handle, title: one.name }));
  return (props.view?.tags ?? []).map((tag) => ({ value: tag, title: tag }));
});
const picked = computed({
  get: () => {
    const now = reach.value;
    if (now.of === "types") return now.types;
    if (now.of === "tags") return now.tags;
    return now.of === "products" ? now.products : [];
  },
  set: (all) => {
    const { of } = reach.value;
    if (of === "types") reach.value = { of, types: all };
    if (of === "tags") reach.value = { of, tags: all };
    if (of === "products") reach.value = { of, products: all };
  },
});
/** So many lie open and are each one click away. */
const FEW = 12;
function turn(one: string): void {
  picked.value = picked.value.includes(one) ? picked.value.filter((other) => other !== one) : [...picked.value, one];
}
const skus = computed({
  get: () => (reach.value.of === "variants" ? reach.value.skus.join(", ") : ""),
  set: (text) => (reach.value = { of: "variants", skus: text.split(",").map((sku) => sku.trim()) }),
});
</script>

<template>
  <fieldset>
    <legend class="soft">{{ say("reach-pick-for") }}</legend>
    <PickField :model-value="reach.of" :aria-label="say('reach-pick-what')" @update:model-value="become($event)">
      <option v-for="one in REACHES" :key="one.of" :value="one.of">{{ one.title }}</option>
    </PickField>
    <TextInput
      v-if="reach.of === 'variants'"
      v-model="skus"
      :aria-label="say('reach-pick-skus')"
      :placeholder="say('reach-pick-lin-25-lin-50-n')"
    />
    <ProductsPick
      v-else-if="reach.of === 'products'"
      v-model="picked"
      :label="say('reach-pick-which')"
      :named="view?.named ?? []"
      :none="say('reach-pick-none-yet')"
    />
    <div
      v-else-if="reach.of !== 'all' && choices.length <= FEW"
      class="few"
      role="group"
      :aria-label="say('reach-pick-which')"
    >
      <button
        v-for="one in choices"
        :key="one.value"
        type="button"
        class="pill"
        :aria-pressed="picked.includes(one.value)"
        @click="turn(one.value)"
      >
        {{ one.title }}
      </button>
    </div>
    <ChipsField v-else-if="reach.of !== 'all'" v-model="picked" :items="choices" :label="say('reach-pick-which')" />
  </fieldset>
</template>

<style scoped>
.few {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
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
</style>
