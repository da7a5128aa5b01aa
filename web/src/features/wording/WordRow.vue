<script setup lang="ts">
import { ref, watch } from "vue";
import type { Word } from "./useWording";

const props = defineProps<{ word: Word }>();
const emit = defineEmits<{ set: [text: string | null] }>();
const typed = ref(props.word.text);
watch(
  () => props.word.text,
  (text) => (typed.value = text),
);

function keep(): void {
  if (typed.value.trim() === "") typed.value = props.word.text;
  else if (typed.value !== props.word.text) emit("set", typed.value === props.word.under ? null : typed.value);
}
function rows(text: string): number {
  return Math.min(6, Math.max(1, text.split("\n").length, Math.ceil(text.length / 60)));
}
</script>

<template>
  <tr>
    <td class="soft">{{ word.place }}</td>
    <td>
      <textarea
        v-model="typed"
        :rows="rows(typed)"
        maxlength="600"
        :aria-label="`${word.place}: ${word.under}`"
        spellcheck="true"
        @blur="keep"
        @keydown.enter.exact.prevent="($event.target as HTMLElement).blur()"
      />
    </td>
    <td class="own">
      <template v-if="word.own">
        <span class="dot" title="Said your way" />
        <button
          class="quiet"
          :title="`Say “${word.under}” again`"
          :aria-label="`Rejoin ${word.place}`"
          @click="emit('set', null)"
        >
          Rejoin
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
  background: #fff;
}
.own {
  width: 90px;
  padding-top: 6px;
  white-space: nowrap;
}
</style>
