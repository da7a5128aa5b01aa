<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useRoute } from "vue-router";
import { useJournal } from "../../session/useJournal";
import JournalBar from "../../ui/JournalBar.vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { useKeyList } from "../../ui/keys/keys";
import { useTitle } from "../../ui/useTitle";
import ImportDialog from "./ImportDialog.vue";
import MakeDialog from "./MakeDialog.vue";
import SellingDialog from "./SellingDialog.vue";
import SetMany from "./SetMany.vue";
import UsesDialog from "./UsesDialog.vue";
import VariantLine from "./VariantLine.vue";
import { type Cell, block, cellOf, filled, next } from "./grid";
import { isBeginning, useVariants } from "./useVariants";
import SearchField from "../../ui/fields/SearchField.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import { LOCALE, say } from "../../words";

/** What is really bought of a product: a line for each variant. */
const props = defineProps<{ handle: string }>();
const control = useVariants(() => props.handle);
const { view, problem, overtaken, chosen } = control;
const journal = useJournal(
  () => ({ product: props.handle, view: "variants" }),
  () => view.value,
  control.stepThenRead,
);
watch(
  () => props.handle,
  () => void control.load(),
  { immediate: true },
);

useTitle(() => view.value && say("variants-view-variants", { name: view.value.name }));
useKeyList(say("variants-view-keys-among-variants"), [
  [say("variants-view-enter"), say("variants-view-keep-line-below")],
  [say("variants-view-shift-enter"), say("variants-view-line-above")],
  ["← →", say("variants-view-end-field-one-beside")],
  [say("variants-view-ctrl-v"), say("variants-view-fill-cells-block-from")],
]);
const typed = ref("");
/** Whether more of them are on their way. */
const coming = computed(() => view.value !== null && isBeginning(view.value));
const found = computed(() => {
  const words = typed.value.trim().toLowerCase().split(/\s+/);
  return (view.value?.variants ?? []).filter((variant) => {
    const names = variant.values.map((id) => (id === null ? "any" : (control.names.value.get(id) ?? "")));
    const text = `${variant.sku} ${names.join(" ")}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
});
const all = computed(() => found.value.length > 0 && found.value.every((variant) => chosen.value.has(variant.id)));
function chooseAll(): void {
  chosen.value = all.value ? new Set() : new Set(found.value.map((variant) => variant.id));
}
function choose(id: number): void {
  const next = new Set(chosen.value);
  if (!next.delete(id)) next.add(id);
  chosen.value = next;
}

const lines = ref<{ scrollToIndex: (index: number) => void } | null>(null);
/** Moves to a cell, which may lie out of sight. */
async function goTo({ place, field }: Cell): Promise<void> {
  if (place < 0 || place >= found.value.length) return;
  const there = () => document.querySelector<HTMLInputElement>(`.lines [data-cell="${place}:${field}"]`);
  if (!there()) {
    lines.value?.scrollToIndex(place);
    await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
  }
  there()?.focus();
  there()?.select();
}
function onKey(event: KeyboardEvent): void {
  const from = cellOf(event.target);
  const to = from && next(from, event);
  if (!from || !to) return;
  event.preventDefault();
  // The last line is left too, so that what was typed there is kept.
  if (to.place >= found.value.length) (event.target as HTMLElement).blur();
  void goTo(to);
}
const told = ref("");
async function onPaste(event: ClipboardEvent): Promise<void> {
  const from = cellOf(event.target);
  const cells = block(event.clipboardData?.getData("text/plain") ?? "");
  if (!from || !cells) return;
  event.preventDefault();
  await control.whole();
  const rows = filled(cells, from).flatMap(({ place, set }) => {
    const id = found.value[place]?.id;
    return id === undefined ? [] : [{ id, ...set }];
  });
  const over = cells.length - rows.length;
  const kept = await control.fill(rows);
  const lines = say("variants-view-lines", { count: rows.length });
  told.value = kept
    ? say("variants-view-filled", { lines, over: over ? say("variants-view-more-didnt-fit-below", { over }) : "" })
    : "";
}

const making = ref(false);
const importing = ref(false);
const using = ref(false);
const selling = ref(useRoute().query.selling !== undefined);
const columns = computed(
  () => `34px 34px ${"minmax(70px, 1fr) ".repeat(view.value?.options.length ?? 0)}2fr 100px 100px 96px 90px`,
);
</script>

<template>
  <main class="variants" :style="{ '--columns': columns }">
    <div class="head">
      <h1>{{ say("variants-view-variants", { name: view?.name }) }}</h1>
      <span class="soft" role="status">
        {{
          say("variants-view-variants-b", {
            count: view?.count ?? 0,
            number: (view?.count ?? 0).toLocaleString(LOCALE),
          })
        }}
        <template v-if="view?.missing">
          {{ say("variants-view-combinations-arent-made", { missing: view.missing }) }}</template
        >
      </span>
      <span class="space" />
      <JournalBar :control="journal" :of="{ product: handle }" :name="view?.name ?? ''" @changed="control.load" />
      <button class="quiet" @click="selling = true">{{ say("variants-view-how-sold") }}</button>
      <button class="quiet" @click="using = true">{{ say("variants-view-options-values") }}</button>
      <a :href="`/api/variants.csv?product=${handle}`" download>{{ say("variants-view-save-csv") }}</a>
      <button class="quiet" @click="importing = true">{{ say("variants-view-bring-csv") }}</button>
      <v-btn v-if="view?.options.length" variant="flat" color="primary" @click="making = true">{{
        say("variants-view-make-combinations")
      }}</v-btn>
    </div>
    <ProblemNote class="problem" :problem="problem" :overtaken="overtaken" @retry="control.load" />
    <div class="tools">
      <SearchField
        v-model="typed"
        class="find"
        :label="say('variants-view-find-variants')"
        :placeholder="say('variants-view-find-sku-value')"
      />
      <SetMany v-if="chosen.size" :control="control" />
      <span v-else-if="told" class="soft" role="status">{{ told }}</span>
      <span v-else class="soft">{{ say("variants-view-choose-several-set-their") }}</span>
    </div>
    <div
      v-if="view"
      class="grid"
      role="table"
      :aria-label="say('variants-view-variants-c', { name: view.name })"
      :aria-rowcount="found.length"
    >
      <div class="row names" role="row">
        <span role="columnheader">
          <TickBox
            :model-value="all"
            :disabled="coming"
            :aria-label="say('variants-view-choose-all-found')"
            @update:model-value="chooseAll"
          />
        </span>
        <span role="columnheader"
          ><span class="unseen">{{ say("variants-view-picture") }}</span></span
        >
        <span v-for="option in view.options" :key="option.id" role="columnheader">{{ option.name }}</span>
        <span role="columnheader">{{ say("variants-view-sku") }}</span>
        <span role="columnheader">{{ say("variants-view-price", { currency: view.currency }) }}</span>
        <span role="columnheader">{{ say("variants-view-old-price") }}</span>
        <span role="columnheader">{{ say("variants-view-stock") }}</span>
        <span role="columnheader">{{ say("variants-view-contents") }}</span>
      </div>
      <v-virtual-scroll
        ref="lines"
        class="lines"
        :items="found"
        :item-height="36"
        item-key="id"
        role="rowgroup"
        @keydown="onKey"
        @paste="onPaste"
      >
        <template #default="{ item, index }">
          <VariantLine
            :key="item.id"
            :variant="item"
            :place="index"
            :control="control"
            :chosen="chosen.has(item.id)"
            @choose="choose(item.id)"
          />
        </template>
      </v-virtual-scroll>
      <EmptyPlace v-if="found.length === 0 && !coming">{{ say("variants-view-no-variant-called-like") }}</EmptyPlace>
    </div>
    <MakeDialog v-if="view" v-model="making" :control="control" />
    <UsesDialog v-if="view" v-model="using" :control="control" />
    <SellingDialog v-model="selling" :handle="handle" @kept="control.load" />
    <ImportDialog v-model="importing" @brought="control.load" />
  </main>
</template>

<style scoped>
.variants {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - var(--top) - var(--foot));
  min-height: 480px;
}
.head,
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 4px 18px;
}
.head {
  min-height: 50px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
}
.tools {
  min-height: 46px;
}
.space {
  flex: 1;
}
.find {
  width: 230px;
  padding: 5px 9px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
}
.find::placeholder {
  color: var(--soft);
}
.problem {
  margin: 8px 18px 0;
}
.grid {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-height: 0;
  margin: 0 18px 14px;
  overflow-x: auto;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--field);
}
.lines {
  flex: 1;
  min-width: 760px;
}
.row {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 8px;
  align-items: center;
  min-width: 760px;
  min-height: 34px;
  padding: 0 12px;
  border-bottom: 1px solid var(--line);
}
.names {
  color: var(--soft);
  font-size: 12px;
  font-weight: 600;
}
.names > :nth-last-child(-n + 5) {
  padding-left: 7px;
}
.names > :nth-last-child(-n + 4):not(:last-child) {
  padding-right: 7px;
  text-align: right;
}
</style>
