<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useTyping } from "../../useTyping";
import LongText from "../../../../ui/fields/LongText.vue";
import { say } from "../../../../words";

/** Lines, each a text of its own. */
const props = defineProps<{ modelValue: string[]; label: string }>();
const emit = defineEmits<{ "update:modelValue": [lines: string[]] }>();
const shown = computed(() => props.modelValue.join("\n"));
const typed = ref("");
const typing = useTyping(keep, () => (typed.value = shown.value));
watch(
  shown,
  (text) => {
    if (!typing.busy.value) typed.value = text;
  },
  { immediate: true },
);

function keep(): boolean {
  if (typed.value === shown.value) return true;
  const lines = typed.value.split("\n").map((line) => line.trim());
  emit("update:modelValue", lines.filter(Boolean));
  return true;
}
</script>

<template>
  <LongText
    v-model="typed"
    :aria-label="label"
    rows="4"
    :placeholder="say('lines-field-one-line-each')"
    @update:model-value="typing.go"
    @blur="typing.end"
  />
</template>
