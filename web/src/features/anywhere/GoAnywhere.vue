<script setup lang="ts">
import { nextTick, onBeforeUnmount, onMounted, ref, watch } from "vue";
import { useRouter } from "vue-router";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { type Goal, useAnywhere } from "./useAnywhere";
import TextInput from "../../ui/fields/TextInput.vue";
import { useDialogFocus } from "../../ui/useDialogFocus";
import { say } from "../../words";

/** Ctrl K: goes to a view, a product, a template, an option or a price rule by its name. */
const open = defineModel<boolean>({ required: true });
const router = useRouter();
const { typed, goals, problem } = useAnywhere();
const { begin } = useDialogFocus(open);
const marked = ref(0);
const list = ref<HTMLElement | null>(null);
watch([typed, goals], () => (marked.value = 0));
watch(open, () => (typed.value = ""));

function go(goal: Goal | undefined): void {
  if (!goal) return;
  open.value = false;
  void router.push(goal.to);
}
function walk(step: number): void {
  marked.value = Math.min(Math.max(0, marked.value + step), goals.value.length - 1);
  void nextTick(() => list.value?.querySelector("[aria-selected=true]")?.scrollIntoView({ block: "nearest" }));
}
function onKey(event: KeyboardEvent): void {
  if ((event.ctrlKey || event.metaKey) && !event.shiftKey && !event.altKey && event.key.toLowerCase() === "k") {
    event.preventDefault();
    open.value = !open.value;
  }
}
onMounted(() => addEventListener("keydown", onKey));
onBeforeUnmount(() => removeEventListener("keydown", onKey));
</script>

<template>
  <!-- It has no title and no foot. -->
  <!-- eslint-disable-next-line vue/no-restricted-syntax -->
  <v-dialog v-model="open" max-width="520" :aria-label="say('go-anywhere-go-anywhere')" class="go-anywhere">
    <div class="sheet" @vue:mounted="begin($event.el)">
      <TextInput
        v-model="typed"
        bare
        autofocus
        role="combobox"
        aria-autocomplete="list"
        aria-expanded="true"
        aria-controls="anywhere-list"
        :aria-activedescendant="goals.length ? `anywhere-${marked}` : undefined"
        :aria-label="say('go-anywhere-go')"
        :placeholder="say('go-anywhere-product-template-option-price')"
        spellcheck="false"
        @keydown.down.prevent="walk(1)"
        @keydown.up.prevent="walk(-1)"
        @keydown.enter.prevent="go(goals[marked])"
      />
      <ProblemNote :problem="problem" />
      <ul id="anywhere-list" ref="list" role="listbox" :aria-label="say('go-anywhere-where-go')">
        <li
          v-for="(goal, index) in goals"
          :id="`anywhere-${index}`"
          :key="goal.to"
          role="option"
          tabindex="-1"
          :aria-selected="index === marked"
          @mousedown.prevent
          @mousemove="marked = index"
          @click="go(goal)"
        >
          <span>{{ goal.name }}</span>
          <span class="soft">{{ goal.note }}</span>
        </li>
      </ul>
      <EmptyPlace v-if="goals.length === 0">{{ say("go-anywhere-nothing-here-called-so") }}</EmptyPlace>
    </div>
  </v-dialog>
</template>

<style scoped>
.sheet {
  display: grid;
  padding: 10px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  box-shadow: var(--shadow);
}
input {
  padding: 8px 10px;
  border: 1px solid var(--accent);
  border-radius: 6px;
  font-size: 14px;
}
input:focus-visible {
  outline-offset: -1px;
}
ul {
  max-height: 380px;
  margin: 8px 0 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
li {
  display: flex;
  gap: 14px;
  justify-content: space-between;
  padding: 5px 10px;
  border-radius: 4px;
  cursor: pointer;
}
li span:first-child {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
li .soft {
  flex: none;
}
[aria-selected="true"] {
  background: var(--accent-weak);
}
</style>

<style>
/* It stays where it is while what is found becomes more or less. */
.go-anywhere > .v-overlay__content {
  align-self: flex-start;
  margin-top: 12vh;
}
</style>
