<script setup lang="ts">
import { mdiPlay } from "@mdi/js";
import { computed } from "vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import type { Picture, Pictures } from "./usePictures";
import { say } from "../../words";

const props = defineProps<{ picture: Picture; number: number; chosen: boolean; options: Pictures["options"] }>();
defineEmits<{ choose: [more: "only" | "too" | "up_to"]; move: [step: -1 | 1] }>();

const values = computed(() => {
  const names = new Map(props.options.flatMap((o) => o.values).map((v) => [v.id, v.name]));
  return props.picture.values.flatMap((id) => names.get(id) ?? []);
});

function how(event: MouseEvent): "only" | "too" | "up_to" {
  return event.shiftKey ? "up_to" : event.ctrlKey || event.metaKey ? "too" : "only";
}
</script>

<template>
  <li class="card" :class="{ chosen }" :data-picture="picture.id">
    <button
      :aria-pressed="chosen"
      @click="$emit('choose', how($event))"
      @keydown.alt.left.prevent="$emit('move', -1)"
      @keydown.alt.right.prevent="$emit('move', 1)"
    >
      <span class="pane" :class="{ 'cut-out': picture.cut_out }">
        <img v-if="picture.small" :src="picture.small" alt="" loading="lazy" />
        <span v-else-if="picture.trouble" class="signal trouble">{{ picture.trouble }}</span>
        <ProgressLine v-else class="made" />
        <span v-if="picture.film" class="film"
          ><v-icon :icon="mdiPlay" size="15" /> {{ say("picture-card-film") }}</span
        >
        <ProgressLine v-if="picture.waiting && picture.small" class="anew" />
      </span>
      <span class="line">
        <b>{{ number }}</b>
        <span class="words">{{ values.join(", ") || say("picture-card-every-choice") }}</span>
      </span>
      <span class="line soft" :class="{ signal: !picture.alt }">
        <span class="words">{{ picture.alt || say("picture-card-no-description-yet") }}</span>
      </span>
    </button>
  </li>
</template>

<style scoped>
.card {
  min-width: 0;
  list-style: none;
}
.card > button {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  width: 100%;
  padding: 6px;
  border-radius: 8px;
  text-align: left;
}
.card:hover > button {
  background: var(--hair);
}
.chosen > button {
  background: var(--accent-weak) !important;
  box-shadow: inset 0 0 0 2px var(--accent);
}
.pane {
  position: relative;
  display: grid;
  place-items: center;
  overflow: hidden;
  aspect-ratio: 1;
  margin-bottom: 5px;
  border-radius: 5px;
  background: var(--hair);
}
.cut-out {
  background: repeating-conic-gradient(var(--chequer) 0 25%, var(--chequer-light) 0 50%) 0 0 / 18px 18px;
}
.pane img {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  object-fit: contain;
}
.trouble {
  padding: 10px;
  font-size: 12px;
}
.film {
  position: absolute;
  bottom: 6px;
  left: 6px;
  padding: 1px 8px 1px 4px;
  border-radius: 99px;
  background: var(--veil);
  font-size: 11px;
  font-weight: 600;
}
.made {
  width: 60%;
}
.anew {
  position: absolute;
  inset: auto 0 0;
}
.line {
  display: flex;
  gap: 6px;
  font-size: 12px;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
