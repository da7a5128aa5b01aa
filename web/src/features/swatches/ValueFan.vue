<script setup lang="ts">
import SwatchDot from "../../ui/SwatchDot.vue";
import type { BookControl, BookValue } from "./useBook";
import { FROM } from "./words";
import TextInput from "../../ui/fields/TextInput.vue";
import { useNewName } from "../../ui/useNewName";
import { say } from "../../words";

/** The values of the open option as they look on the shop's ground. */
const props = defineProps<{ book: BookControl }>();
const { option, values, chosen } = props.book;

function choose(value: BookValue, event: MouseEvent): void {
  if (event.shiftKey && chosen.value.length > 0) {
    const ids = values.value.map((v) => v.id);
    const [from, to] = [ids.indexOf(chosen.value[0] ?? value.id), ids.indexOf(value.id)];
    chosen.value = ids.slice(Math.min(from, to), Math.max(from, to) + 1);
  } else if (event.ctrlKey || event.metaKey) {
    chosen.value = chosen.value.includes(value.id)
      ? chosen.value.filter((id) => id !== value.id)
      : [...chosen.value, value.id];
  } else chosen.value = [value.id];
}

const LACKS = say("value-fan-no-swatch-yet");
/** Where its swatch comes from, or that there is none among swatches. */
function says(value: BookValue): string {
  if (value.from !== "text" || option.value?.page !== "swatches") return FROM[value.from];
  return option.value.from_variants ? FROM.variant : LACKS;
}

const { name, add } = useNewName((wanted) => props.book.addValue(wanted));
</script>

<template>
  <ul class="fan" :style="{ background: option?.ground }">
    <li v-for="value in values" :key="value.id">
      <button
        :class="{ chosen: chosen.includes(value.id) }"
        :aria-pressed="chosen.includes(value.id)"
        @click="choose(value, $event)"
      >
        <SwatchDot :swatch="value.swatch" :size="44" :pale="value.pale" />
        <b>{{ value.name }}</b>
        <span class="soft" :class="{ signal: says(value) === LACKS }">
          {{ says(value) }}
        </span>
      </button>
    </li>
    <li class="new">
      <form @submit.prevent="add">
        <TextInput
          v-model="name"
          :aria-label="say('value-fan-name-new-value')"
          :placeholder="say('value-fan-new-value')"
          maxlength="80"
        />
        <button v-if="name.trim()" class="quiet">{{ say("value-fan-add") }}</button>
      </form>
    </li>
  </ul>
</template>

<style scoped>
/* On the shop's ground words are as in the shop, in both sets of colours. */
.fan {
  --ink: var(--page-ink);
  --soft: var(--page-soft);
  --signal: var(--page-signal);

  color: var(--page-ink);
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
  gap: 4px;
  margin: 0;
  padding: 10px;
  border: 1px solid var(--line);
  border-radius: 8px;
  list-style: none;
}
.fan > li > button {
  display: grid;
  gap: 1px;
  justify-items: center;
  width: 100%;
  padding: 8px 4px 6px;
  border-radius: 8px;
  overflow-wrap: anywhere;
  font-size: 12px;
}
.fan > li > button b {
  margin-top: 5px;
  font-size: 13px;
}
.fan > li > button:hover {
  background: color-mix(in srgb, var(--page-ink) 4%, transparent);
}
.chosen {
  background: color-mix(in srgb, var(--accent) 16%, transparent) !important;
  box-shadow: inset 0 0 0 2px var(--accent);
}
.new {
  display: grid;
  place-items: center;
}
.new form {
  display: grid;
  justify-items: center;
}
.new input {
  width: 96px;
}
</style>
