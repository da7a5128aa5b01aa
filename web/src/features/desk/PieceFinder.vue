<script setup lang="ts">
import { computed, onMounted, ref } from "vue";
import { useDesk } from "./deskStore";
import type { Kind, Situation } from "./types";
import TextInput from "../../ui/fields/TextInput.vue";
import { say } from "../../words";

/** Opens right in the order: what this product has and the page lacks stands first. */
const props = defineProps<{ product: Situation | null }>();
const emit = defineEmits<{ pick: [kind: Kind, more: boolean]; close: [] }>();
const desk = useDesk();
const typed = defineModel<string>("typed", { required: true });
const at = ref(0);
const finder = ref<HTMLElement | null>(null);
const field = ref<InstanceType<typeof TextInput> | null>(null);
onMounted(() => {
  field.value?.focus();
  finder.value?.scrollIntoView({ block: "nearest" });
});

const found = computed(() => {
  const here = new Set(desk.order.map((line) => line.piece.kind));
  const typedNow = typed.value.trim().toLowerCase();
  const words = typedNow.split(/\s+/);
  const idle = (kind: Kind) => kind === "options" && props.product?.options.length === 0;
  // What the words begin with stands before what only has them in it.
  const begins = (label: string) => label.toLowerCase().startsWith(typedNow);
  return (desk.view?.kinds ?? [])
    .filter((k) => words.every((word) => k.label.toLowerCase().includes(word)) && !(k.only_one && here.has(k.kind)))
    .map((k) => ({
      ...k,
      has: here.has(k.kind),
      rank: 4 * Number(!begins(k.label)) + Number(here.has(k.kind)) + 2 * Number(idle(k.kind)),
    }))
    .sort((a, b) => a.rank - b.rank);
});

const current = computed(() => found.value[at.value]);

function step(by: number): void {
  const count = found.value.length;
  if (count) at.value = (at.value + by + count) % count;
}

function take(event: KeyboardEvent): void {
  if (current.value) emit("pick", current.value.kind, event.shiftKey);
}

function leave(event: FocusEvent): void {
  const next = event.relatedTarget as Node | null;
  if (!(event.currentTarget as HTMLElement).contains(next)) emit("close");
}
</script>

<template>
  <div ref="finder" class="piece-finder" @focusout="leave">
    <TextInput
      ref="field"
      v-model="typed"
      bare
      role="combobox"
      :aria-label="say('piece-finder-find-piece-add')"
      aria-controls="finder-list"
      aria-expanded="true"
      :aria-activedescendant="current ? `finder-${current.kind}` : undefined"
      :placeholder="say('piece-finder-type-what-add')"
      @input="at = 0"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
      @keydown.enter.prevent="take"
      @keydown.esc="emit('close')"
    />
    <ul id="finder-list" role="listbox" :aria-label="say('piece-finder-pieces')">
      <li
        v-for="(kind, index) in found"
        :id="`finder-${kind.kind}`"
        :key="kind.kind"
        role="option"
        tabindex="-1"
        :aria-selected="index === at"
        @mousedown.prevent
        @click="emit('pick', kind.kind, $event.shiftKey)"
        @mousemove="at = index"
      >
        {{ kind.label }} <span v-if="kind.has" class="soft">{{ say("piece-finder-there-already") }}</span>
      </li>
      <li v-if="found.length === 0" class="soft">{{ say("piece-finder-no-piece-called") }}</li>
    </ul>
    <p class="soft">{{ say("piece-finder-shift-enter-adds-goes") }}</p>
  </div>
</template>

<style scoped>
.piece-finder {
  border: 1px solid var(--accent);
  border-radius: 6px;
  background: var(--field);
}
input {
  width: 100%;
  padding: 5px 9px;
  border-bottom: 1px solid var(--line);
  outline: 0;
}
ul {
  max-height: 168px;
  margin: 0;
  padding: 3px;
  overflow-y: auto;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  padding: 3px 7px;
  border-radius: 4px;
  cursor: pointer;
}
p {
  margin: 0;
  padding: 3px 10px 5px;
  border-top: 1px solid var(--line);
  font-size: 11px;
}
[aria-selected="true"] {
  background: var(--accent-weak);
}
</style>
