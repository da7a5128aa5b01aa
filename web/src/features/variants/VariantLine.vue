<script setup lang="ts">
import { computed } from "vue";
import { useDraftFields } from "../../session/useDraftField";
import { FIELDS, type Field } from "./grid";
import type { Variant, VariantChange, VariantsControl } from "./useVariants";
import TextInput from "../../ui/fields/TextInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import { say } from "../../words";

/** One variant: its choice, and what is set of it. A field is kept when it is left. */
const props = defineProps<{
  variant: Variant;
  /** Its place among those that are shown. */
  place: number;
  control: VariantsControl;
  chosen: boolean;
}>();
defineEmits<{ choose: [] }>();
const own = computed(() => ({
  sku: props.variant.sku,
  price: props.variant.price ?? "",
  old_price: props.variant.old_price ?? "",
  stock: props.variant.stock?.toString() ?? "",
  measure: props.variant.measure ?? "",
}));
const fields = useDraftFields(
  () => props.variant.id,
  () => own.value,
);
const { typed } = fields;

/** Its own picture, or the first that belongs to its values. */
const picture = computed(() => {
  const all = props.control.view.value?.pictures ?? [];
  const fits = (values: number[]) => values.length > 0 && values.every((id) => props.variant.values.includes(id));
  return all.find((one) => one.id === props.variant.picture) ?? all.find((one) => fits(one.values));
});
const labels = {
  sku: "SKU",
  price: say("variant-line-price"),
  old_price: say("variant-line-old-price"),
  stock: say("variant-line-stock"),
  measure: say("variant-line-contents"),
};
function empty(field: Field): string {
  if (field === "price") return props.control.view.value?.price ?? "";
  return field === "stock" ? say("variant-line-not-counted") : "";
}
const keep = (field: Field) =>
  fields.keep(field, (text) => {
    const change: VariantChange = { [field]: text };
    return props.control.change([props.variant.id], change);
  });
</script>

<template>
  <div class="row" role="row" :class="{ chosen }">
    <span role="cell">
      <TickBox
        :model-value="chosen"
        :aria-label="say('variant-line-choose', { sku: variant.sku })"
        @update:model-value="$emit('choose')"
      />
    </span>
    <span role="cell" class="pic">
      <img v-if="picture" :src="picture.small" :alt="picture.name" :class="{ lent: !variant.picture }" />
    </span>
    <span v-for="(value, index) in variant.values" :key="index" role="cell" class="value">
      <template v-if="value !== null">{{ control.names.value.get(value) }}</template>
      <i v-else class="soft">{{ say("variant-line-any") }}</i>
    </span>
    <span v-for="field in FIELDS" :key="field" role="cell">
      <TextInput
        v-model="typed[field]"
        bare
        :class="{ number: field !== 'sku' && field !== 'measure', gone: field === 'stock' && variant.stock === 0 }"
        :aria-label="say('variant-line-of', { labels: labels[field], sku: variant.sku })"
        :placeholder="empty(field)"
        :data-cell="`${place}:${field}`"
        @blur="keep(field)"
      />
      <span v-if="field === 'stock' && variant.waiting" class="waiting">
        {{ say("variant-line-wait", { waiting: variant.waiting }) }}
      </span>
    </span>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 8px;
  align-items: center;
  height: 36px;
  padding: 0 12px;
  border-bottom: 1px solid var(--hair);
}
.chosen {
  background: var(--accent-weak);
}
.pic img {
  display: block;
  width: 28px;
  height: 28px;
  border-radius: 4px;
  object-fit: cover;
}
.pic .lent {
  opacity: 0.55;
}
.value {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
input:not([type="checkbox"]) {
  width: 100%;
  padding: 3px 6px;
  border: 1px solid transparent;
  border-radius: 5px;
}
input:not([type="checkbox"]):is(:hover, :focus) {
  border-color: var(--line);
  background: var(--field);
}
input::placeholder {
  color: var(--soft);
}
.waiting {
  display: block;
  margin: -5px 7px 0 0;
  color: var(--soft);
  font-size: 11px;
  line-height: 1;
  text-align: right;
}
.number {
  text-align: right;
}
.chosen .gone {
  color: var(--signal);
}
.gone {
  color: var(--signal);
  font-weight: 600;
}
</style>
