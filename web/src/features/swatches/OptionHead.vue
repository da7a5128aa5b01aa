<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useDraftFields } from "../../session/useDraftField";
import type { Schemas } from "../../api/client";
import type { BookOption, Way } from "./useBook";
import OptionActs from "./OptionActs.vue";
import { WAYS } from "./words";
import TextInput from "../../ui/fields/TextInput.vue";
import OneOf from "../../ui/fields/OneOf.vue";
import { say } from "../../words";

/** The open option: its name, what it is about, and how it is chosen on pages, cards and in quick looks. */
const props = defineProps<{
  option: BookOption;
  change: (change: Schemas["ChangeOption"]) => Promise<boolean>;
  remove: () => Promise<boolean>;
}>();
defineEmits<{ files: []; taken: [handle: string] }>();
const fields = useDraftFields(
  () => props.option.handle,
  () => ({ name: props.option.name, about: props.option.about }),
);
const { typed } = fields;
function keep(field: "name" | "about"): void {
  if (field === "name" && typed.name.trim() === "") fields.undo("name");
  void fields.keep(field, (text) => props.change({ [field]: text }));
}

/** A card has no room for a radio list. */
const onCard = (way: Way): Way => (way === "radios" ? "buttons" : way);
const apart = ref(false);
const same = computed(() => {
  const { page, card, quick } = props.option;
  return card === onCard(page) && quick === page && !apart.value;
});
watch(
  () => props.option.handle,
  () => (apart.value = false),
);
const cardWays = [
  ...WAYS.filter((one) => one.value !== "radios"),
  { value: "nothing" as Way, says: say("option-head-nothing") },
];
type Place = "page" | "card" | "quick";
const PLACES: { place: Place; title: string; ways: typeof WAYS }[] = [
  { place: "page", title: say("option-head-pages"), ways: WAYS },
  { place: "card", title: say("option-head-cards"), ways: cardWays },
  { place: "quick", title: say("option-head-quick-looks"), ways: WAYS },
];
const places = computed(() =>
  same.value ? [{ place: "page" as Place, title: say("option-head-pages-cards-quick-looks"), ways: WAYS }] : PLACES,
);
function choose(place: Place, way: Way): void {
  if (way === props.option[place]) return;
  void props.change(same.value ? { page: way, card: onCard(way), quick: way } : { [place]: way });
}
</script>

<template>
  <header class="head">
    <div class="names">
      <TextInput
        v-model="typed.name"
        bare
        class="title"
        :aria-label="say('option-head-name-option')"
        maxlength="80"
        @blur="keep('name')"
        @keydown.enter="keep('name')"
      />
      <TextInput
        v-model="typed.about"
        bare
        class="about"
        :aria-label="say('option-head-what-about-shoppers')"
        :placeholder="say('option-head-what-about-shoppers')"
        maxlength="300"
        @blur="keep('about')"
        @keydown.enter="keep('about')"
      />
    </div>
    <div v-for="{ place, title, ways } in places" :key="place" class="way">
      <span class="soft">{{ title }}</span>
      <OneOf
        :model-value="option[place]"
        :options="ways"
        :label="say('option-head-how-chosen', { title })"
        @update:model-value="(way) => choose(place, way)"
      />
      <button v-if="same" class="quiet" @click="apart = true">{{ say("option-head-set-apart") }}</button>
    </div>
    <OptionActs :option="option" :remove="remove" @taken="(handle) => $emit('taken', handle)" />
    <v-btn variant="outlined" @click="$emit('files')">{{ say("option-head-add-pictures") }}</v-btn>
  </header>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
  min-height: 54px;
  padding: 6px 18px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
}
.names {
  display: grid;
  flex: 1;
  min-width: 180px;
}
.names input {
  min-width: 0;
  padding: 1px 4px;
  border: 1px solid transparent;
  border-radius: 4px;
  text-overflow: ellipsis;
}
.names input:hover,
.names input:focus {
  border-color: var(--line);
  background: var(--field);
}
.title {
  font: 600 17px var(--heading);
}
.about {
  min-height: 24px;
  font-size: 12px;
}
.about::placeholder {
  color: var(--soft);
}
.way :deep(.v-btn) {
  flex: none;
}
.way {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
