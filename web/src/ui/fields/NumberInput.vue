<script setup lang="ts" generic="T extends number | null">
import { computed, ref, watch } from "vue";
import { say } from "../../words";

/** A whole number between two; arrows up and down count. What is no such number is told and isn't taken. */
const number = defineModel<T>({ required: true });
const props = defineProps<{
  least: number;
  most: number;
  /** Whether there may be none. */
  none?: boolean;
  bare?: boolean;
}>();
const field = ref<HTMLInputElement | null>(null);
const shown = computed(() => (number.value === null ? "" : String(number.value)));
const typed = ref(shown.value);
watch(shown, (now) => {
  if (read(typed.value) !== number.value) typed.value = now;
});

/** The number that was typed; nothing where it is none that may be. */
function read(text: string): number | null | undefined {
  const trimmed = text.trim();
  if (trimmed === "") return props.none ? null : undefined;
  const value = Number(trimmed);
  return /^\d+$/.test(trimmed) && value >= props.least && value <= props.most ? value : undefined;
}
const wrong = computed(() =>
  read(typed.value) === undefined
    ? say("number-input-whole-number-from-please", { least: props.least, most: props.most })
    : "",
);
watch([wrong, field], ([why, input]) => input?.setCustomValidity(why));
function take(text: string): void {
  typed.value = text;
  const value = read(text);
  if (value !== undefined) number.value = value as T;
}
function step(by: number): void {
  const next = (read(typed.value) ?? props.least - Math.max(0, by)) + by;
  take(String(Math.min(props.most, Math.max(props.least, next))));
}
</script>

<template>
  <input
    ref="field"
    :class="{ control: !bare }"
    inputmode="numeric"
    autocomplete="off"
    role="spinbutton"
    :aria-valuenow="number ?? undefined"
    :aria-valuemin="least"
    :aria-valuemax="most"
    :aria-invalid="wrong !== '' || undefined"
    :title="wrong || undefined"
    :value="typed"
    @input="take(($event.target as HTMLInputElement).value)"
    @keydown.up.prevent="step(1)"
    @keydown.down.prevent="step(-1)"
  />
</template>
