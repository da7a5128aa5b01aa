<script setup lang="ts">
import { computed } from "vue";
import TypedInput from "../../../../ui/TypedInput.vue";
import { useDesk } from "../../deskStore";
import type { Rule } from "../../types";
import MomentInput from "../../../../ui/fields/MomentInput.vue";
import PickField from "../../../../ui/fields/PickField.vue";
import { say } from "../../../../words";

/** One sentence, with what it needs to know. A click on its words makes it the opposite. */
const props = defineProps<{ modelValue: Rule }>();
const emit = defineEmits<{ "update:modelValue": [rule: Rule]; turn: [] }>();
const desk = useDesk();
/** Small units to a whole one: 100 pence. */
const unit = computed(() => 10 ** (desk.view?.decimals ?? 2));
const negated = computed(() => props.modelValue.is === "not");
const plain = computed((): Rule => (props.modelValue.is === "not" ? props.modelValue.of : props.modelValue));
const words = computed(() => {
  const sentence = desk.view?.sentences.find((one) => one.rule.is === plain.value.is);
  return (negated.value ? sentence?.opposite : sentence?.words) ?? say("rule-sentence-condition-made-elsewhere");
});

function put(rule: Rule): void {
  emit("update:modelValue", negated.value ? { is: "not", of: rule } : rule);
}
function number(text: string): number | null {
  const value = Number(text);
  return text !== "" && Number.isFinite(value) && value >= 0 ? value : null;
}
function setCount(text: string): true | null {
  const count = number(text);
  const rule = plain.value;
  if (count === null || (rule.is !== "pictures_over" && rule.is !== "stock_under")) return null;
  put({ ...rule, count: Math.floor(count) });
  return true;
}
function setPrice(text: string): true | null {
  const price = number(text);
  if (price === null || plain.value.is !== "price_over") return null;
  put({ ...plain.value, minor: Math.round(price * unit.value) });
  return true;
}
function setDay(which: "from" | "to", day: string): void {
  if (plain.value.is === "between") put({ ...plain.value, [which]: day || null });
}
</script>

<template>
  <div class="sentence">
    <button type="button" class="words" :title="say('rule-sentence-say-opposite')" @click="emit('turn')">
      {{ words }}
    </button>
    <TypedInput
      v-if="plain.is === 'pictures_over' || plain.is === 'stock_under'"
      type="number"
      min="0"
      :value="String(plain.count)"
      :keep="setCount"
      :of="plain.is"
      :aria-label="words"
    />
    <span v-else-if="plain.is === 'price_over'" class="price">
      <TypedInput
        type="number"
        min="0"
        :step="1 / unit"
        :value="String(plain.minor / unit)"
        :keep="setPrice"
        :aria-label="words"
      />
      {{ desk.view?.currency }}
    </span>
    <PickField
      v-else-if="plain.is === 'type'"
      :model-value="plain.handle"
      :aria-label="words"
      @update:model-value="put({ is: 'type', handle: $event })"
    >
      <option v-for="type in desk.view?.types" :key="type.handle" :value="type.handle">{{ type.name }}</option>
    </PickField>
    <PickField
      v-else-if="plain.is === 'tagged'"
      :model-value="plain.tag"
      :aria-label="words"
      @update:model-value="put({ is: 'tagged', tag: $event })"
    >
      <option v-for="tag in new Set([plain.tag, ...(desk.view?.tags ?? [])])" :key="tag">{{ tag }}</option>
    </PickField>
    <span v-else-if="plain.is === 'between'" class="days">
      <MomentInput
        day
        :model-value="plain.from ?? ''"
        :aria-label="say('rule-sentence-from')"
        @update:model-value="setDay('from', $event)"
      />
      {{ say("rule-sentence-and") }}
      <MomentInput
        day
        :model-value="plain.to ?? ''"
        :aria-label="say('rule-sentence-to')"
        @update:model-value="setDay('to', $event)"
      />
    </span>
  </div>
</template>

<style scoped>
.sentence {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  align-items: center;
  min-height: 28px;
  padding: 2px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
}
.words {
  text-align: left;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
input,
select {
  padding: 2px 6px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--field);
}
input[type="number"] {
  width: 68px;
}
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
</style>
