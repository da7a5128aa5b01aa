<script setup lang="ts">
import { computed, onMounted, ref, watch } from "vue";
import { colourIn, usePalette } from "../../../ui/usePalette";
import PickList from "../../../ui/PickList.vue";
import type { Field, Value } from "../types";
import { useTyping } from "../useTyping";
import TextInput from "../../../ui/fields/TextInput.vue";
import { say } from "../../../words";

/** A value's control, in the place of its words: a list, a number or one line of text. */
const props = defineProps<{ field: Field; now: { value: Value }; label: string }>();
const emit = defineEmits<{ set: [value: Value]; back: []; done: []; leave: [] }>();
const shape = computed(() => props.field.shape);

// The shop's own colours come by their names; any other is typed.
const palette = usePalette();
const free = computed(() => (shape.value.shape === "choice" ? (shape.value.free ?? null) : null));
const options = computed(() => {
  if (shape.value.shape !== "choice") return [];
  return free.value?.takes === "colour" ? [...shape.value.options, ...palette.value] : shape.value.options;
});
const besides = computed(() => {
  if (!free.value) return undefined;
  if (free.value.takes === "colour") return say("cell-field-or-colour");
  const { least, most } = free.value;
  return say("cell-field-or-pixels", { least, most });
});
function other(text: string): Value | null {
  if (free.value?.takes === "colour")
    return options.value.some((one) => begins(one.says, text)) ? null : colourIn(text);
  const number = Number(text.replace(/px/i, "").trim());
  const { least, most } = free.value ?? { least: 0, most: 0 };
  const step = options.value.find((one) => one.says === `${number} px`);
  if (step) return step.value;
  return Number.isInteger(number) && number >= least && number <= most ? number : null;
}
function begins(says: string, text: string): boolean {
  return says.toLowerCase().startsWith(text.trim().toLowerCase());
}

// What is being typed appears in the proofs as it is typed.
const shown = computed(() => String(props.now.value));
const typed = ref("");
let dropped = false;
/** Whether what was typed so far is shown already. */
let sent = false;
const typing = useTyping(keep, () => (typed.value = shown.value));
watch(
  shown,
  (text) => {
    if (!typing.busy.value) typed.value = text;
  },
  { immediate: true },
);
const box = ref<InstanceType<typeof TextInput> | null>(null);
onMounted(() => {
  box.value?.focus();
  box.value?.select();
});

/** Halfway to a number nothing is refused yet; once the field is left the server tells what is wrong with it, and what
 * stood there before any of it was typed stands there again. */
function keep(): boolean {
  if (dropped || typed.value === shown.value) return true;
  if (shape.value.shape !== "number") return send(typed.value);
  const number = Number(typed.value.replace(/[^\d-]/g, ""));
  const fits = number >= shape.value.least && number <= shape.value.most;
  if (typed.value.trim() === "" || !Number.isInteger(number)) return !typing.busy.value;
  if (!fits && typing.busy.value) return false;
  if (!fits && sent) emit("back");
  return send(number);
}
function send(value: Value): true {
  sent = true;
  emit("set", value);
  return true;
}
/** Ends it, keeping nothing more. */
function drop(): void {
  dropped = true;
}
function step(by: number): void {
  if (shape.value.shape !== "number") return;
  const now = Number(typed.value) || 0;
  typed.value = String(Math.min(shape.value.most, Math.max(shape.value.least, now + by)));
  typing.go();
}
function onKey(event: KeyboardEvent): void {
  if (event.key === "Enter" || event.key === "Tab") return typing.end();
  if (!["ArrowUp", "ArrowDown"].includes(event.key)) return;
  if (event.ctrlKey || event.metaKey) return typing.end();
  if (shape.value.shape !== "number") return;
  event.preventDefault();
  step((event.key === "ArrowUp" ? 1 : -1) * (event.shiftKey ? 10 : 1));
}
function left(): void {
  typing.end();
  emit("leave");
}
defineExpose({ drop });
</script>

<template>
  <PickList
    v-if="shape.shape === 'choice'"
    :model-value="now.value"
    :options="options"
    :label="label"
    :free="free ? other : undefined"
    :besides="besides"
    @pick="(v) => emit('set', v)"
    @done="emit('done')"
    @leave="emit('leave')"
  />
  <span v-else class="text">
    <TextInput
      ref="box"
      v-model="typed"
      bare
      :inputmode="shape.shape === 'number' ? 'numeric' : 'text'"
      :maxlength="'most' in shape && shape.shape !== 'number' ? shape.most : 500"
      :placeholder="shape.shape === 'link' ? say('cell-field-shop-https-mailto') : undefined"
      :aria-label="label"
      @input="shape.shape === 'link' ? typing.begin() : typing.go()"
      @blur="left"
      @keydown="onKey"
    />
    <span v-if="shape.shape === 'number' && field.unit" class="soft">{{ field.unit }}</span>
  </span>
</template>

<style scoped>
/* What is typed changes nothing around it: without this each letter lays out the whole desk anew, before the proofs. */
.text {
  display: flex;
  gap: 4px;
  align-items: center;
  height: 24px;
  contain: strict;
}
input {
  flex: 1;
  min-width: 0;
  height: 22px;
  padding: 0 6px;
  border: 1px solid var(--accent);
  border-radius: 5px;
  background: var(--sheet);
}
input:focus-visible {
  outline-offset: -1px;
}
</style>
