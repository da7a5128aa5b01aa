<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../../../../api/client";
import type { Rule } from "../../types";
import RuleGroup from "./RuleGroup.vue";
import { say } from "../../../../words";

/** *Appears when*: always, or when all or any of some sentences hold. */
const props = defineProps<{ modelValue: Rule; verdict: Schemas["VerdictView"] | null }>();
const emit = defineEmits<{ "update:modelValue": [rule: Rule] }>();

/** The sentence as a group, so that there is always something to add to. */
const group = computed((): Extract<Rule, { is: "all" | "any" }> => {
  const rule = props.modelValue;
  return rule.is === "all" || rule.is === "any" ? rule : { is: "all", of: [rule] };
});
const always = computed(() => group.value.is === "all" && group.value.of.length === 0);
</script>

<template>
  <div class="rule">
    <p v-if="always" class="soft">{{ say("rule-field-always-appears") }}</p>
    <p v-else-if="verdict" :class="verdict.holds ? 'holds' : 'signal'" role="status">
      {{ verdict.holds ? say("rule-field-shown-here") : say("rule-field-not-shown-here") }}: {{ verdict.why }}.
    </p>
    <RuleGroup :model-value="group" :depth="0" @update:model-value="(rule) => emit('update:modelValue', rule)" />
  </div>
</template>

<style scoped>
.rule {
  display: grid;
  gap: 6px;
}
p {
  margin: 0;
}
.holds {
  color: var(--good);
  font-weight: 600;
}
</style>
