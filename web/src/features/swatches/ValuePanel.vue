<script setup lang="ts">
import { mdiClose, mdiPlus } from "@mdi/js";
import { computed, shallowRef } from "vue";
import { useDraftFields } from "../../session/useDraftField";
import ColourField from "../../ui/ColourField.vue";
import ColourList from "../../ui/ColourList.vue";
import CloserPicture from "./CloserPicture.vue";
import OwnSwatch from "./OwnSwatch.vue";
import ValueAway from "./ValueAway.vue";
import SwatchDot from "../../ui/SwatchDot.vue";
import type { BookControl } from "./useBook";
import { FROM, MOST_COLOURS } from "./words";
import TextInput from "../../ui/fields/TextInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import { say } from "../../words";

/** What is set of the chosen values. */
const props = defineProps<{ book: BookControl }>();
const { many, option, values } = props.book;
const one = computed(() => (many.value.length === 1 ? (many.value[0] ?? null) : null));
const ids = computed(() => many.value.map((value) => value.id));

const fields = useDraftFields(
  () => one.value?.id,
  () => ({ name: one.value?.name ?? "", note: one.value?.note ?? "" }),
);
const { typed } = fields;
function keep(field: "name" | "note"): void {
  const value = one.value;
  if (!value) return;
  if (field === "name" && typed.name.trim() === "") fields.undo("name");
  void fields.keep(field, (text) => props.book.changeValues([value.id], { [field]: text }));
}

/** The colours as they are wanted: what is changed of them next goes on from there, whatever was answered so far. */
const wanted = shallowRef<{ id: number; colours: string[] } | null>(null);
const colours = computed(() => {
  if (wanted.value && wanted.value.id === one.value?.id) return wanted.value.colours;
  return one.value?.swatch.kind === "colours" ? one.value.swatch.colours : [];
});
async function paint(next: string[]): Promise<void> {
  const mine = (wanted.value = one.value ? { id: one.value.id, colours: next } : null);
  await props.book.changeValues(ids.value, { swatch: { kind: "colours", colours: next } });
  if (wanted.value === mine) wanted.value = null;
}
const picture = computed(() => (one.value?.swatch.kind === "picture" ? one.value.swatch : null));
/** A colour under a picture, for those parts of it that can be seen through; null takes it away. */
function under(colour: string | null): void {
  if (!picture.value) return;
  void props.book.changeValues(ids.value, { swatch: { ...picture.value, over: colour } });
}
const bare = computed(() => values.value.filter((value) => value.from === "text"));
const drawn = computed(() => many.value.some((value) => value.swatch.kind !== "text"));
const ownHere = computed(() => many.value.some((value) => value.from === "book"));
</script>

<template>
  <aside class="panel" :aria-label="say('value-panel-chosen-values')">
    <template v-if="one">
      <div class="title">
        <SwatchDot :swatch="one.swatch" :size="52" :pale="one.pale" />
        <span>
          <b>{{ one.name }}</b>
          <span class="soft">{{ FROM[one.from] }}</span>
          <span class="soft">{{ say("value-panel-offered-products", { products: one.products }) }}</span>
          <router-link
            v-if="one.products && option"
            :to="{ name: 'swatch-changes', params: { handle: option.handle, value: one.id } }"
            >{{ say("value-panel-try-swatch-their-pages") }}</router-link
          >
          <span v-if="one.pale" class="soft">{{ say("value-panel-pale-ground-so-gets") }}</span>
        </span>
      </div>
      <label>
        <span class="soft">{{ say("value-panel-name") }}</span>
        <TextInput v-model="typed.name" maxlength="80" @blur="keep('name')" @keydown.enter="keep('name')" />
      </label>
      <label>
        <span class="soft">{{ say("value-panel-told-hover-spoken-place") }}</span>
        <TextInput
          v-model="typed.note"
          maxlength="200"
          :placeholder="one.name"
          @blur="keep('note')"
          @keydown.enter="keep('note')"
        />
      </label>
      <CloserPicture :book="book" :value="one" />
      <fieldset>
        <legend class="soft">{{ colours.length > 1 ? say("value-panel-colours") : say("value-panel-colour") }}</legend>
        <div v-if="picture?.over" class="colour">
          <span id="under" class="unseen">{{ say("value-panel-colour-under-picture") }}</span>
          <ColourField :model-value="picture.over" labelledby="under" @update:model-value="under" />
          <button class="tool" :aria-label="say('value-panel-remove-colour-under-picture')" @click="under(null)">
            <v-icon :icon="mdiClose" size="14" />
          </button>
        </div>
        <button v-else-if="picture" class="quiet" @click="under('#FFFFFF')">
          <v-icon :icon="mdiPlus" size="14" /> {{ say("value-panel-colour-under-picture-b") }}
        </button>
        <ColourList :model-value="colours" name="colour" @update:model-value="paint" />
        <p v-if="colours.length === 0 && one.proposed" class="proposed">
          <SwatchDot :swatch="{ kind: 'colours', colours: [one.proposed] }" :size="20" />
          <span>{{ say("value-panel-name-suggests", { proposed: one.proposed }) }}</span>
          <button class="quiet" @click="paint([one.proposed])">{{ say("value-panel-take") }}</button>
        </p>
        <button
          v-if="colours.length < MOST_COLOURS"
          class="quiet"
          @click="paint([...colours, one.proposed ?? '#8A8A8A'])"
        >
          <v-icon :icon="mdiPlus" size="14" />
          {{
            colours.length
              ? say("value-panel-another-colour")
              : picture
                ? say("value-panel-colour-place")
                : say("value-panel-give-colour")
          }}
        </button>
      </fieldset>
    </template>
    <template v-else-if="many.length">
      <h2>{{ say("value-panel-values", { count: many.length }) }}</h2>
    </template>
    <template v-else>
      <p class="soft">
        {{ say("value-panel-choose-value-set-name") }}
      </p>
      <label v-if="option?.page === 'swatches'" class="check">
        <TickBox :model-value="option.from_variants" @update:model-value="book.change({ from_variants: $event })" />
        <span>{{ say("value-panel-values-without-swatch-show") }}</span>
      </label>
      <template v-if="option?.page === 'swatches' && !option.from_variants && bare.length">
        <h2>{{ say("value-panel-values-have-no-swatch", { count: bare.length }) }}</h2>
        <p>{{ bare.map((value) => value.name).join(", ") }}</p>
        <button
          class="quiet"
          @click="
            book.takeFrom(
              bare.map((v) => v.id),
              'pictures',
            )
          "
        >
          {{ say("value-panel-cut-them-from-products") }}
        </button>
        <button
          class="quiet"
          @click="
            book.takeFrom(
              bare.map((v) => v.id),
              'colours',
            )
          "
        >
          {{ say("value-panel-take-their-colours-from") }}
        </button>
      </template>
    </template>
    <OwnSwatch v-if="one" :book="book" :value="one" />
    <template v-if="many.length">
      <div class="acts">
        <button class="quiet" @click="book.takeFrom(ids, 'pictures')">
          {{ say("value-panel-cut-from-products-pictures") }}
        </button>
        <button class="quiet" @click="book.takeFrom(ids, 'colours')">
          {{ say("value-panel-colour-from-products-pictures") }}
        </button>
        <button v-if="ownHere" class="quiet" @click="book.changeValues(ids, { no_swatch: true })">
          {{ say("value-panel-rejoin-what-palette-files") }}
        </button>
        <button v-if="drawn" class="quiet" @click="book.changeValues(ids, { swatch: { kind: 'text' } })">
          {{ say("value-panel-show-text-here") }}
        </button>
        <ValueAway v-if="one" :book="book" :value="one" />
      </div>
    </template>
  </aside>
</template>

<style scoped>
.panel {
  display: grid;
  align-content: start;
  gap: 12px;
  padding: 14px 16px 24px;
  overflow-y: auto;
  border-left: 1px solid var(--line);
  background: var(--field);
}
.panel p {
  margin: 0;
}
.title {
  display: flex;
  gap: 12px;
  align-items: center;
}
.title > span:last-child,
label,
.acts {
  display: grid;
  gap: 2px;
}
.acts {
  justify-items: start;
}
.check {
  display: flex;
  gap: 8px;
  align-items: start;
}
label > input:not([type]) {
  padding: 5px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
}
fieldset {
  display: grid;
  gap: 6px;
  justify-items: start;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  margin-bottom: 3px;
  padding: 0;
}
.colour,
.proposed {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
