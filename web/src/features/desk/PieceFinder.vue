<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from "vue";
import { useDesk } from "./deskStore";
import type { Kind, Situation } from "./types";
import { type KeptBand, useKeptBands } from "./useKeptBands";
import TextInput from "../../ui/fields/TextInput.vue";
import { say } from "../../words";

/** Opens right in the order: what this product has and the page lacks stands first, and bands that are kept stand last;
 * one of those goes in below `band`. */
const props = defineProps<{ product: Situation | null; band: string }>();
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

const kept = useKeptBands();
/** A piece of a kind, or a kept band. */
interface Found {
  key: string;
  says: string;
  told: string;
  pick: (more: boolean) => void;
}
const words = computed(() => typed.value.trim().toLowerCase());
const has = (label: string): boolean => words.value.split(/\s+/).every((word) => label.toLowerCase().includes(word));
const pieces = computed((): Found[] => {
  const here = new Set(desk.order.map((line) => line.piece.kind));
  const idle = (kind: Kind) => kind === "options" && props.product?.options.length === 0;
  // What the words begin with stands before what only has them in it.
  const begins = (label: string) => label.toLowerCase().startsWith(words.value);
  const rank = ({ kind, label }: { kind: Kind; label: string }): number =>
    4 * Number(!begins(label)) + Number(here.has(kind)) + 2 * Number(idle(kind));
  return (desk.view?.kinds ?? [])
    .filter((one) => has(one.label) && !(one.only_one && here.has(one.kind)))
    .sort((a, b) => rank(a) - rank(b))
    .map((one) => ({
      key: one.kind,
      says: one.label,
      told: here.has(one.kind) ? say("piece-finder-there-already") : "",
      pick: (more) => emit("pick", one.kind, more),
    }));
});
const found = computed((): Found[] => [
  ...pieces.value,
  ...kept.kept.value
    .filter((one) => !desk.onCard && has(one.name) && !kept.here.value.has(one.id))
    .map((one) => ({
      key: `kept-${one.id}`,
      says: say("piece-finder-kept-band", { name: one.name }),
      told: say("piece-finder-linked"),
      pick: () => link(one),
    })),
]);
function link(one: KeptBand): void {
  emit("close");
  void kept.put(one, props.band, true);
}

const current = computed(() => found.value[at.value]);

function step(by: number): void {
  const count = found.value.length;
  if (count) at.value = (at.value + by + count) % count;
}

// What is pressed elsewhere stays where it is until the pointer is let go: it would be missed otherwise.
let pressed = false;
let left = false;
function leave(event: FocusEvent): void {
  left = !(event.currentTarget as HTMLElement).contains(event.relatedTarget as Node | null);
  if (left && !pressed) emit("close");
}
function press(): void {
  pressed = true;
}
function letGo(): void {
  pressed = false;
  if (left) setTimeout(() => emit("close"));
}
const gone = new AbortController();
onMounted(() => {
  const there = { capture: true, signal: gone.signal };
  addEventListener("pointerdown", press, there);
  addEventListener("pointerup", letGo, there);
  addEventListener("pointercancel", letGo, there);
});
onBeforeUnmount(() => gone.abort());
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
      :aria-activedescendant="current ? `finder-${current.key}` : undefined"
      :placeholder="say('piece-finder-type-what-add')"
      @input="at = 0"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
      @keydown.enter.prevent="current?.pick($event.shiftKey)"
      @keydown.esc="emit('close')"
    />
    <ul id="finder-list" role="listbox" :aria-label="say('piece-finder-pieces')">
      <li
        v-for="(one, index) in found"
        :id="`finder-${one.key}`"
        :key="one.key"
        role="option"
        tabindex="-1"
        :aria-selected="index === at"
        @mousedown.prevent
        @click="one.pick($event.shiftKey)"
        @mousemove="at = index"
      >
        {{ one.says }} <span v-if="one.told" class="soft">{{ one.told }}</span>
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
