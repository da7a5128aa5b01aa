<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useId, watch } from "vue";
import type { Answer, ApiError } from "../../api/client";
import { say } from "../../words";

/**
 * Products to pick one from, however many there are: what is typed is looked for on the server, further ones come as one
 * scrolls. Arrows walk the list, Enter picks.
 */
export interface Line {
  handle: string;
  name: string;
  picture?: string | null;
  /** Its type, where they are of several. */
  kind?: string;
  sample?: boolean;
}
export interface Lines {
  count: number;
  products: Line[];
}
const props = defineProps<{
  load: (find: string, skip: number) => Promise<Answer<Lines>>;
  /** Those that are picked already. */
  picked: string[];
  label: string;
}>();
const emit = defineEmits<{ pick: [product: Line] }>();

const id = useId();
const field = ref<HTMLInputElement | null>(null);
const list = ref<HTMLElement | null>(null);
const typed = ref("");
const found = ref<Line[]>([]);
const count = ref<number | null>(null);
const problem = ref<ApiError | null>(null);
const marked = ref(0);
let turn = 0;
let busy = false;

async function ask(skip: number): Promise<void> {
  const mine = ++turn;
  busy = true;
  const { data, error } = await props.load(typed.value, skip);
  // Only the answer to what stands there counts.
  if (mine !== turn) return;
  busy = false;
  problem.value = error ?? null;
  if (!data) return;
  found.value = skip === 0 ? data.products : [...found.value, ...data.products];
  count.value = data.count;
  if (skip === 0)
    marked.value = Math.max(
      0,
      found.value.findIndex((one) => props.picked.includes(one.handle)),
    );
}
watch(typed, () => void ask(0));
/** A sheet that opens can't have the focus before it is seen, which takes it some frames. */
function takeFocus(frames = 30): void {
  field.value?.focus({ preventScroll: true });
  if (frames > 0 && field.value && document.activeElement !== field.value)
    requestAnimationFrame(() => takeFocus(frames - 1));
}
onMounted(async () => {
  // Whoever opens it types at once, however late the first products come.
  takeFocus();
  await ask(0);
  await nextTick();
  show();
});

const rest = computed(() => (count.value ?? 0) - found.value.length);
function scrolled(): void {
  const box = list.value;
  if (!box || busy || rest.value <= 0) return;
  if (box.scrollTop + box.clientHeight > box.scrollHeight - 300) void ask(found.value.length);
}
function show(): void {
  list.value?.querySelector("[aria-selected=true]")?.scrollIntoView({ block: "nearest" });
}
function walk(step: number): void {
  marked.value = Math.min(Math.max(0, marked.value + step), Math.max(0, found.value.length - 1));
  void nextTick(show);
}
function onKey(event: KeyboardEvent): void {
  if (event.key === "ArrowDown") walk(1);
  else if (event.key === "ArrowUp") walk(-1);
  else if (event.key === "PageDown") walk(8);
  else if (event.key === "PageUp") walk(-8);
  else if (event.key === "Enter") {
    const one = found.value[marked.value];
    if (one) emit("pick", one);
  } else return;
  event.preventDefault();
}
</script>

<template>
  <div class="products">
    <input
      ref="field"
      v-model="typed"
      class="control"
      role="combobox"
      aria-autocomplete="list"
      aria-expanded="true"
      :aria-controls="id"
      :aria-activedescendant="found.length ? `${id}-${marked}` : undefined"
      :aria-label="label"
      :placeholder="say('product-list-find-name')"
      autocomplete="off"
      spellcheck="false"
      @keydown="onKey"
    />
    <p v-if="problem" class="signal" role="alert">{{ problem.message }}</p>
    <ul :id="id" ref="list" role="listbox" :aria-label="label" @scroll.passive="scrolled">
      <li
        v-for="(one, index) in found"
        :id="`${id}-${index}`"
        :key="one.handle"
        role="option"
        tabindex="-1"
        :aria-selected="index === marked"
        :class="{ now: picked.includes(one.handle) }"
        @mousedown.prevent
        @mousemove="marked = index"
        @click="emit('pick', one)"
      >
        <img v-if="one.picture" :src="one.picture" alt="" width="28" height="28" loading="lazy" />
        <i v-else aria-hidden="true" />
        <span class="name">{{ one.name }}</span>
        <span v-if="one.kind" class="soft">{{ one.kind }}</span>
      </li>
      <li v-if="count === 0" class="none soft" role="option" aria-disabled="true" aria-selected="false">
        {{ say("product-list-no-product-called-like") }}
      </li>
    </ul>
    <slot />
  </div>
</template>

<style scoped>
.products {
  display: grid;
  gap: 6px;
  width: 320px;
  padding: 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  box-shadow: var(--shadow);
}
p {
  margin: 0;
}
ul {
  height: 330px;
  max-height: 50dvh;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 34px;
  padding: 3px 8px;
  border-radius: 4px;
  cursor: pointer;
}
li > :is(img, i) {
  flex: none;
  width: 28px;
  height: 28px;
  border-radius: 4px;
  background: var(--paper);
  object-fit: cover;
}
.name {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
li > .soft {
  max-width: 110px;
  overflow: hidden;
  font-size: 12px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
[aria-selected="true"]:not(.none) {
  background: var(--accent-weak);
}
.now .name {
  font-weight: 600;
}
.none {
  cursor: default;
}
</style>
