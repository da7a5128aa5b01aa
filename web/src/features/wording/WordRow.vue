<script setup lang="ts">
import { useDraftFields } from "../../session/useDraftField";
import type { Word } from "./useWording";
import LongText from "../../ui/fields/LongText.vue";
import { say } from "../../words";

const props = defineProps<{ word: Word; set: (text: string | null) => Promise<boolean> }>();
const fields = useDraftFields(
  () => props.word.key,
  () => ({ text: props.word.text }),
);
const { typed } = fields;

function keep(): void {
  if (typed.text.trim() === "") fields.undo("text");
  else void fields.keep("text", (text) => props.set(text === props.word.under ? null : text));
}
function rows(text: string): number {
  return Math.min(6, Math.max(1, text.split("\n").length, Math.ceil(text.length / 60)));
}
</script>

<template>
  <tr>
    <td class="soft">{{ word.place }}</td>
    <td>
      <LongText
        v-model="typed.text"
        bare
        :rows="rows(typed.text)"
        maxlength="600"
        :aria-label="`${word.place}: ${word.under}`"
        spellcheck="true"
        @blur="keep"
        @keydown.enter.exact.prevent="($event.target as HTMLElement).blur()"
      />
    </td>
    <td class="own">
      <template v-if="word.own">
        <span class="dot" :title="say('word-row-changed-you')" />
        <button
          class="quiet"
          :title="say('word-row-say-again', { under: word.under })"
          :aria-label="say('word-row-rejoin', { place: word.place })"
          @click="set(null)"
        >
          {{ say("word-row-rejoin-b") }}
        </button>
      </template>
    </td>
  </tr>
</template>

<style scoped>
td {
  padding: 3px 10px;
  vertical-align: top;
}
td.soft {
  width: 250px;
  padding-top: 8px;
}
textarea {
  width: 100%;
  display: block;
  padding: 4px 8px;
  border: 1px solid transparent;
  border-radius: 6px;
  background: none;
  line-height: 1.4;
  resize: none;
}
tr:hover textarea {
  border-color: var(--line);
}
textarea:focus {
  border-color: var(--accent);
  background: var(--field);
}
.own {
  width: 90px;
  padding-top: 6px;
  white-space: nowrap;
}
</style>
