<script setup lang="ts">
import { ref } from "vue";
import type { Schemas } from "../../api/client";
import OneOf from "../../ui/fields/OneOf.vue";
import PageThumb from "../../ui/thumb/PageThumb.vue";
import { useDesk } from "./deskStore";
import type { SituationControl } from "./useSituation";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** Ready arrangements, each shown as the page would be: with the pieces that are there and the product at hand. */
const props = defineProps<{ situation: SituationControl }>();
const emit = defineEmits<{ close: [] }>();
const desk = useDesk();
const filling = ref<Schemas["Filling"]>("usual");
const FILLINGS = [
  { value: "usual", says: say("starters-dialog-what-page-usually-has") },
  { value: "essentials", says: say("starters-dialog-essentials") },
] as const;

async function take(key: string): Promise<void> {
  emit("close");
  await desk.begin(key, filling.value);
}
</script>

<template>
  <DialogSheet :title="say('starters-dialog-starters')" :width="1120" @close="emit('close')">
    <template v-if="desk.order.length === 0 && !desk.onCard" #beside>
      <OneOf v-model="filling" :options="FILLINGS" :label="say('starters-dialog-filled')" />
    </template>
    <p class="soft">
      {{
        desk.onCard
          ? say("starters-dialog-card-stays")
          : desk.order.length
            ? say("starters-dialog-every-piece-stays-all")
            : say("starters-dialog-empty-page-filled-what")
      }}
    </p>
    <ul>
      <li v-for="(starter, index) in desk.view?.starters" :key="starter.key">
        <button :autofocus="index === 0" @click="take(starter.key)">
          <PageThumb
            :address="
              props.situation.address({}, { starter: starter.key, filling, ...(desk.onCard ? { only: 'card' } : {}) })
            "
            :name="say('starters-dialog-drawn-small', { name: starter.name })"
            :width="desk.onCard ? 300 : 1280"
            :height="desk.onCard ? 460 : 1100"
          />
          <b>{{ starter.name }}</b>
          <span class="soft">{{ starter.hint }}</span>
        </button>
      </li>
    </ul>
  </DialogSheet>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 18px;
  margin: 0;
  padding: 0;
  list-style: none;
}
button {
  display: grid;
  gap: 2px;
  width: 100%;
  padding: 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
  text-align: left;
}
button:hover {
  border-color: var(--accent);
  background: var(--accent-weak);
}
b {
  margin-top: 6px;
  font-weight: 600;
}
.thumb {
  border-bottom: 1px solid var(--line);
}
</style>
