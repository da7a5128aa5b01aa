<script setup lang="ts">
import { computed, defineAsyncComponent } from "vue";
import type { Schemas } from "../../../api/client";
import type { Field, Rule, Value } from "../types";
import LinesField from "./fields/LinesField.vue";

const RichField = defineAsyncComponent(() => import("./fields/RichField.vue"));
const RowsField = defineAsyncComponent(() => import("./fields/RowsField.vue"));
const TableField = defineAsyncComponent(() => import("./fields/TableField.vue"));
const MediaField = defineAsyncComponent(() => import("./fields/MediaField.vue"));
const ProductsField = defineAsyncComponent(() => import("./fields/ProductsField.vue"));
const RuleField = defineAsyncComponent(() => import("./fields/RuleField.vue"));

/** What needs more room than a cell has: it opens below its line. */
const props = defineProps<{ field: Field; now: Now; verdict: Schemas["VerdictView"] | null }>();
const emit = defineEmits<{ set: [value: Value] }>();
/** The value lies in an object: an empty text handed over by itself would be taken for a switch that is on. */
interface Now {
  value: Value;
}
const value = computed(() => props.now.value);
const shape = computed(() => props.field.shape);
const strings = computed(() => (Array.isArray(value.value) ? (value.value as string[]) : []));
const rows = computed(() => (Array.isArray(value.value) ? (value.value as string[][]) : []));
const set = (value: Value): void => emit("set", value);
</script>

<template>
  <LinesField v-if="shape.shape === 'lines'" :model-value="strings" :label="field.label" @update:model-value="set" />
  <RichField
    v-else-if="shape.shape === 'rich'"
    :model-value="String(value)"
    :most="shape.most"
    :labelledby="`label-${field.key}`"
    @update:model-value="set"
  />
  <RowsField
    v-else-if="shape.shape === 'rows'"
    :model-value="rows"
    :parts="shape.parts"
    :count="shape.count"
    :label="field.label"
    @update:model-value="set"
  />
  <TableField
    v-else-if="shape.shape === 'table'"
    :model-value="rows"
    :columns="shape.columns"
    :rows="shape.rows"
    :most="shape.most"
    @update:model-value="set"
  />
  <MediaField
    v-else-if="shape.shape === 'pictures'"
    :model-value="strings"
    :count="shape.count"
    :film="false"
    @update:model-value="set"
  />
  <MediaField
    v-else-if="shape.shape === 'film'"
    :model-value="value ? [String(value)] : []"
    :count="1"
    :film="true"
    @update:model-value="(names) => set(names[0] ?? '')"
  />
  <ProductsField
    v-else-if="shape.shape === 'products'"
    :model-value="strings"
    :count="shape.count"
    :label="field.label"
    @update:model-value="set"
  />
  <RuleField
    v-else-if="shape.shape === 'rule'"
    :model-value="value as Rule"
    :verdict="verdict"
    @update:model-value="set"
  />
</template>
