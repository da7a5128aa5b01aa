<script setup lang="ts">
import { computed, ref, watch } from "vue";
import type { Schemas } from "../../api/client";
import type { BookOption, Way } from "./useBook";
import { WAYS } from "./words";

/** The open option: its name, what it is about, and how it is chosen on pages and on cards. */
const props = defineProps<{ option: BookOption }>();
const emit = defineEmits<{ change: [change: Schemas["ChangeOption"]]; files: [] }>();
const name = ref("");
const about = ref("");
watch(
  () => [props.option.handle, props.option.name, props.option.about],
  () => ([name.value, about.value] = [props.option.name, props.option.about]),
  { immediate: true },
);
function keep(): void {
  if (name.value.trim() === "") name.value = props.option.name;
  if (name.value.trim() !== props.option.name) emit("change", { name: name.value });
  if (about.value.trim() !== props.option.about) emit("change", { about: about.value });
}

/** A card has no room for a radio list. */
const onCard = (way: Way): Way => (way === "radios" ? "buttons" : way);
const apart = ref(false);
const same = computed(() => props.option.card === onCard(props.option.page) && !apart.value);
watch(
  () => props.option.handle,
  () => (apart.value = false),
);
const page = computed({
  get: () => props.option.page,
  set: (way) => emit("change", same.value ? { page: way, card: onCard(way) } : { page: way }),
});
const card = computed({ get: () => props.option.card, set: (way) => emit("change", { card: way }) });
const cardWays = [...WAYS.filter((w) => w.way !== "radios"), { way: "nothing" as Way, title: "Nothing" }];
</script>

<template>
  <header class="head">
    <div class="names">
      <input
        v-model="name"
        class="title"
        aria-label="Name of the option"
        maxlength="80"
        @blur="keep"
        @keydown.enter="keep"
      />
      <input
        v-model="about"
        class="about"
        aria-label="What it is about, for shoppers"
        placeholder="What it is about, for shoppers"
        maxlength="300"
        @blur="keep"
        @keydown.enter="keep"
      />
    </div>
    <div class="way">
      <span class="soft">{{ same ? "Pages and cards" : "Pages" }}</span>
      <v-btn-toggle v-model="page" mandatory aria-label="How it is chosen on pages">
        <v-btn v-for="one in WAYS" :key="one.way" :value="one.way">{{ one.title }}</v-btn>
      </v-btn-toggle>
      <button v-if="same" class="quiet" @click="apart = true">Cards apart</button>
    </div>
    <div v-if="!same" class="way">
      <span class="soft">Cards</span>
      <v-btn-toggle v-model="card" mandatory aria-label="How it is chosen on cards">
        <v-btn v-for="one in cardWays" :key="one.way" :value="one.way">{{ one.title }}</v-btn>
      </v-btn-toggle>
    </div>
    <v-btn variant="outlined" @click="$emit('files')">Add pictures</v-btn>
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
  background: #fff;
}
.title {
  font: 600 17px var(--heading);
}
.about {
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
