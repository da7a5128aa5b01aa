<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from "vue";
import type { Schemas } from "../../api/client";
import ColourField from "../../ui/ColourField.vue";
import type { Field, Rule, Value } from "./types";
import { roomForButtons } from "./fields/buttons";
import { useTyping } from "./useTyping";

const RichField = defineAsyncComponent(() => import("./fields/RichField.vue"));
const RowsField = defineAsyncComponent(() => import("./fields/RowsField.vue"));
const TableField = defineAsyncComponent(() => import("./fields/TableField.vue"));
const MediaField = defineAsyncComponent(() => import("./fields/MediaField.vue"));
const RuleField = defineAsyncComponent(() => import("./fields/RuleField.vue"));

const props = defineProps<{
  field: Field;
  explained: Field["wide"];
  labelledby: string;
  verdict: Schemas["VerdictView"] | null;
}>();
const emit = defineEmits<{ set: [value: Value] }>();

const value = computed(() => props.explained.value);
const shape = computed(() => props.field.shape);
const options = computed(() => ("options" in shape.value ? shape.value.options : []));
const asButtons = computed(() => roomForButtons(props.field) !== null);

// What is being typed appears in the proofs as it is typed.
const shown = computed(() => (Array.isArray(value.value) ? value.value.join("\n") : String(value.value)));
const typed = ref("");
const typing = useTyping(keep, () => (typed.value = shown.value));
watch(
  shown,
  (text) => {
    if (!typing.busy.value) typed.value = text;
  },
  { immediate: true },
);

function keep(): void {
  if (typed.value === shown.value) return;
  const kind = shape.value.shape;
  if (kind === "lines")
    emit(
      "set",
      typed.value
        .split("\n")
        .map((line) => line.trim())
        .filter(Boolean),
    );
  else if (kind === "number") {
    const number = Number(typed.value);
    if (typed.value !== "" && Number.isInteger(number)) emit("set", number);
  } else emit("set", typed.value);
}

const strings = computed(() => (Array.isArray(value.value) ? (value.value as string[]) : []));
const rows = computed(() => (Array.isArray(value.value) ? (value.value as string[][]) : []));
</script>

<template>
  <v-btn-toggle
    v-if="shape.shape === 'choice' && asButtons"
    :model-value="value"
    :aria-labelledby="labelledby"
    role="group"
    @update:model-value="(v: Value) => emit('set', v)"
  >
    <v-btn v-for="option in options" :key="String(option.value)" :value="option.value">{{ option.label }}</v-btn>
  </v-btn-toggle>
  <v-select
    v-else-if="shape.shape === 'choice'"
    :model-value="value"
    :items="options"
    item-title="label"
    item-value="value"
    :aria-labelledby="labelledby"
    @update:model-value="(v: Value) => emit('set', v)"
  />
  <v-switch
    v-else-if="shape.shape === 'flag'"
    :model-value="value"
    :aria-labelledby="labelledby"
    @update:model-value="(v) => emit('set', v === true)"
  />
  <RichField
    v-else-if="shape.shape === 'rich'"
    :model-value="String(value)"
    :most="shape.most"
    :labelledby="labelledby"
    @update:model-value="(v) => emit('set', v)"
  />
  <RowsField
    v-else-if="shape.shape === 'rows'"
    :model-value="rows"
    :parts="shape.parts"
    :count="shape.count"
    :label="field.label"
    @update:model-value="(v) => emit('set', v)"
  />
  <TableField
    v-else-if="shape.shape === 'table'"
    :model-value="rows"
    :columns="shape.columns"
    :rows="shape.rows"
    :most="shape.most"
    @update:model-value="(v) => emit('set', v)"
  />
  <MediaField
    v-else-if="shape.shape === 'pictures'"
    :model-value="strings"
    :count="shape.count"
    :film="false"
    @update:model-value="(v) => emit('set', v)"
  />
  <MediaField
    v-else-if="shape.shape === 'film'"
    :model-value="value ? [String(value)] : []"
    :count="1"
    :film="true"
    @update:model-value="(v) => emit('set', v[0] ?? '')"
  />
  <RuleField
    v-else-if="shape.shape === 'rule'"
    :model-value="value as Rule"
    :verdict="verdict"
    @update:model-value="(v) => emit('set', v)"
  />
  <ColourField
    v-else-if="shape.shape === 'colour'"
    :model-value="String(value)"
    :labelledby="labelledby"
    @update:model-value="(v) => emit('set', v)"
  />
  <v-textarea
    v-else-if="shape.shape === 'lines'"
    v-model="typed"
    :aria-labelledby="labelledby"
    rows="4"
    placeholder="One line for each"
    @focus="typing.begin"
    @update:model-value="typing.go"
    @blur="typing.end"
  />
  <v-text-field
    v-else-if="shape.shape === 'number'"
    v-model="typed"
    type="number"
    :min="shape.least"
    :max="shape.most"
    :aria-labelledby="labelledby"
    @focus="typing.begin"
    @update:model-value="typing.go"
    @blur="typing.end"
    @keydown.enter="typing.end"
  />
  <v-text-field
    v-else
    v-model="typed"
    :maxlength="'most' in shape ? shape.most : 500"
    :placeholder="shape.shape === 'link' ? '/shop, https://…, mailto:…' : undefined"
    :aria-labelledby="labelledby"
    @focus="typing.begin"
    @update:model-value="shape.shape === 'link' ? undefined : typing.go()"
    @blur="typing.end"
    @keydown.enter="typing.end"
  />
</template>
