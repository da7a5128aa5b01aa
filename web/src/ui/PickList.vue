<script setup lang="ts" generic="T">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, useId, watch } from "vue";
import { say } from "../words";

/**
 * A value is picked from a list that opens at once: what is typed leaves those with a word that begins so, arrows walk
 * them, Enter or leaving takes the one that is marked. What can be said in other words is taken as it is typed. Where
 * a press opened it, letting go over a value takes that.
 */
interface Choice {
  value: T;
  says: string;
  /** Shown beside it. */
  colour?: string | null;
}
const props = defineProps<{
  modelValue: T;
  options: Choice[];
  label: string;
  /** Makes a value of what was typed, where the list isn't all that there is. */
  free?: (text: string) => T | null;
  /** What can be typed besides, told under the list. */
  besides?: string;
}>();
const emit = defineEmits<{ pick: [value: T]; done: []; leave: [] }>();

const id = useId();
const field = ref<HTMLInputElement | null>(null);
const list = ref<HTMLElement | null>(null);
const typed = ref("");
const same = (a: T, b: T): boolean => JSON.stringify(a) === JSON.stringify(b);
const now = computed(() => props.options.find((one) => same(one.value, props.modelValue)) ?? null);
const left = computed(() => {
  const words = typed.value.trim().toLowerCase();
  if (words === "") return props.options;
  const begins = (one: Choice): boolean => one.says.toLowerCase().startsWith(words);
  const within = (one: Choice): boolean => one.says.toLowerCase().includes(` ${words}`);
  return [...props.options.filter(begins), ...props.options.filter((one) => !begins(one) && within(one))];
});
const marked = ref(Math.max(0, props.options.indexOf(now.value as Choice)));
/** Whether anything was done here, so that leaving takes what is marked. */
let moved = false;
watch(typed, () => {
  moved = true;
  marked.value = 0;
});

function take(one: Choice | undefined): void {
  if (one && !same(one.value, props.modelValue)) emit("pick", one.value);
}
/** Takes what is marked or typed, if anything was done. */
function settle(): void {
  if (!moved) return;
  moved = false;
  const free = typed.value.trim() === "" ? null : (props.free?.(typed.value) ?? null);
  if (free !== null) emit("pick", free);
  else take(left.value[marked.value]);
}
function walk(step: number): void {
  moved = true;
  marked.value = Math.min(Math.max(0, marked.value + step), left.value.length - 1);
  void nextTick(() => list.value?.querySelector("[aria-selected=true]")?.scrollIntoView({ block: "nearest" }));
}
function onKey(event: KeyboardEvent): void {
  const away = event.ctrlKey || event.metaKey || event.altKey;
  if (event.key === "ArrowDown" && !away) walk(1);
  else if (event.key === "ArrowUp" && !away) walk(-1);
  else if (event.key === "Home" && typed.value === "") walk(-props.options.length);
  else if (event.key === "End" && typed.value === "") walk(props.options.length);
  else {
    if (["Enter", "Tab"].includes(event.key) || (away && event.key.startsWith("Arrow"))) settle();
    return;
  }
  event.preventDefault();
}
/** The button of a pointer that came down elsewhere, as on what turned into this list, goes up on a value. */
let pressed = false;
function press(): void {
  pressed = true;
}
function release(one: Choice): void {
  if (!pressed) click(one);
}
function click(one: Choice): void {
  moved = false;
  take(one);
  emit("done");
}

// The list hangs on the field, over whatever scrolls there.
const place = ref({ left: "0px", top: "0px", bottom: "auto", minWidth: "0px", maxHeight: "0px" });
function hang(): void {
  const box = field.value?.getBoundingClientRect();
  if (!box) return;
  const [below, above] = [innerHeight - box.bottom - 8, box.top - 8];
  const under = below >= Math.min(260, props.options.length * 26 + 10) || below >= above;
  place.value = {
    left: `${Math.min(box.left - 4, innerWidth - 190)}px`,
    top: under ? `${box.bottom + 3}px` : "auto",
    bottom: under ? "auto" : `${innerHeight - box.top + 3}px`,
    minWidth: `${box.width + 8}px`,
    maxHeight: `${Math.min(320, under ? below : above)}px`,
  };
}
onMounted(() => {
  hang();
  field.value?.focus({ preventScroll: true });
  addEventListener("resize", hang);
  addEventListener("scroll", hang, true);
  void nextTick(() => list.value?.querySelector("[aria-selected=true]")?.scrollIntoView({ block: "nearest" }));
});
onBeforeUnmount(() => {
  removeEventListener("resize", hang);
  removeEventListener("scroll", hang, true);
});
</script>

<template>
  <input
    ref="field"
    v-model="typed"
    class="pick"
    role="combobox"
    aria-autocomplete="list"
    aria-expanded="true"
    :aria-controls="id"
    :aria-activedescendant="left.length ? `${id}-${marked}` : undefined"
    :aria-label="label"
    :placeholder="now?.says ?? ''"
    autocomplete="off"
    spellcheck="false"
    @keydown="onKey"
    @blur="emit('leave')"
  />
  <ul :id="id" ref="list" class="pick-list" role="listbox" :aria-label="label" :style="place">
    <li
      v-for="(one, index) in left"
      :id="`${id}-${index}`"
      :key="one.says"
      role="option"
      tabindex="-1"
      :aria-selected="index === marked"
      :class="{ now: one === now }"
      @mousedown.prevent="press"
      @mouseup.left="release(one)"
      @mousemove="marked = index"
      @click="click(one)"
    >
      <span v-if="one.colour" class="dab" :style="{ background: one.colour }" />
      {{ one.says }}
    </li>
    <li v-if="besides && typed === ''" class="none" role="option" aria-disabled="true" aria-selected="false">
      {{ besides }}
    </li>
    <li v-if="left.length === 0" class="none" role="option" aria-disabled="true" aria-selected="false">
      {{ free ? say("pick-list-enter-takes-what-you") : say("pick-list-nothing-begins-so") }}
    </li>
  </ul>
</template>

<style>
.pick {
  width: 100%;
  min-width: 0;
  height: 22px;
  padding: 0 6px;
  border: 1px solid var(--accent);
  border-radius: 5px;
  background: var(--sheet);
}
.pick:focus-visible {
  outline-offset: -1px;
}
.pick::placeholder {
  color: var(--ink);
  opacity: 1;
}
.pick-list {
  position: fixed;
  z-index: 2500;
  max-width: 280px;
  margin: 0;
  padding: 4px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  box-shadow: var(--shadow);
  list-style: none;
}
.pick-list li {
  min-height: 26px;
  padding: 4px 10px;
  border-radius: 4px;
  cursor: pointer;
}
.pick-list .dab {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 6px;
  border: 1px solid var(--line);
  border-radius: 50%;
  vertical-align: -1px;
}
.pick-list .now {
  font-weight: 600;
}
.pick-list [aria-selected="true"] {
  background: var(--accent-weak);
}
.pick-list .none {
  color: var(--soft);
  cursor: default;
}
</style>
