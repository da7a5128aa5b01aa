<script setup lang="ts">
import { mdiClose } from "@mdi/js";
import { computed } from "vue";
import ActsMenu from "../../../../ui/menu/ActsMenu.vue";
import { useDesk } from "../../deskStore";
import type { Rule } from "../../types";
import RuleSentence from "./RuleSentence.vue";
import OneOf from "../../../../ui/fields/OneOf.vue";
import { say } from "../../../../words";

/** Sentences joined by all or any; one of them may be a group again. */
type Group = Extract<Rule, { is: "all" | "any" }>;
const props = defineProps<{ modelValue: Group; depth: number }>();
const emit = defineEmits<{ "update:modelValue": [rule: Group] }>();
const desk = useDesk();
const rows = computed(() => props.modelValue.of);

function put(of: Rule[]): void {
  emit("update:modelValue", { ...props.modelValue, of });
}
function set(index: number, rule: Rule): void {
  put(rows.value.map((old, i) => (i === index ? rule : old)));
}
function add(name: string): void {
  const sentence = desk.view?.sentences.find((one) => one.rule.is === name);
  if (name === "group") put([...rows.value, { is: "any", of: [] }]);
  else if (sentence) put([...rows.value, sentence.rule]);
}
/** The opposite of a sentence. */
function turned(rule: Rule): Rule {
  return rule.is === "not" ? rule.of : { is: "not", of: rule };
}
const JOINED = [
  { value: "all", says: say("rule-group-all-these") },
  { value: "any", says: say("rule-group-any-these") },
] as const;
function inner(rule: Rule): Group | null {
  return rule.is === "all" || rule.is === "any" ? rule : null;
}
const choices = computed(() => [
  ...(desk.view?.sentences ?? []).map((one) => ({ value: one.rule.is as string, title: one.words })),
  ...(props.depth === 0 && rows.value.length > 0 ? [{ value: "group", title: say("rule-group-one-several") }] : []),
]);
</script>

<template>
  <div class="group" :class="{ inner: depth > 0 }">
    <OneOf
      v-if="rows.length > 1 || depth > 0"
      :model-value="modelValue.is"
      :options="JOINED"
      :label="say('rule-group-how-sentences-joined')"
      @update:model-value="(is) => emit('update:modelValue', { ...modelValue, is })"
    />
    <div v-for="(rule, index) in rows" :key="index" class="row">
      <RuleGroup
        v-if="inner(rule)"
        :model-value="inner(rule)!"
        :depth="depth + 1"
        @update:model-value="(one) => set(index, one)"
      />
      <RuleSentence
        v-else
        :model-value="rule"
        @update:model-value="(one) => set(index, one)"
        @turn="set(index, turned(rule))"
      />
      <button
        type="button"
        :aria-label="say('rule-group-take-sentence-out')"
        @click="put(rows.filter((_, i) => i !== index))"
      >
        <v-icon :icon="mdiClose" size="14" />
      </button>
    </div>
    <ActsMenu>
      <template #button="{ menu }">
        <button v-bind="menu" type="button" class="quiet">
          {{ rows.length ? say("rule-group-another-sentence") : say("rule-group-only-when") }}
        </button>
      </template>
      <v-list-item v-for="one in choices" :key="one.value" :title="one.title" @click="add(one.value)" />
    </ActsMenu>
  </div>
</template>

<style scoped>
.group {
  display: grid;
  gap: 6px;
  justify-items: start;
  width: 100%;
}
.inner {
  padding-left: 10px;
  border-left: 2px solid var(--line);
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 24px;
  gap: 4px;
  width: 100%;
}
.row > button {
  display: grid;
  place-items: center;
  height: 28px;
  color: var(--soft);
}
</style>
