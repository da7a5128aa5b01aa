<script setup lang="ts">
import type { Picture } from "./usePictures";
import { say } from "../../words";

const props = defineProps<{ picture: Picture }>();
const emit = defineEmits<{ set: [focus: Picture["focus"]] }>();

function point(event: MouseEvent): void {
  // A click from the keyboard has no place.
  if (event.detail === 0) return;
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  const share = (at: number, from: number, size: number): number =>
    Math.round(Math.min(1, Math.max(0, (at - from) / size)) * 1000);
  emit("set", { x: share(event.clientX, box.left, box.width), y: share(event.clientY, box.top, box.height) });
}

const STEP = 25;
function step(event: KeyboardEvent): void {
  const move = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[event.key];
  if (!move) return;
  event.preventDefault();
  const within = (value: number): number => Math.min(1000, Math.max(0, value));
  const { x, y } = props.picture.focus;
  emit("set", { x: within(x + (move[0] ?? 0)), y: within(y + (move[1] ?? 0)) });
}
</script>

<template>
  <button
    v-if="picture.large"
    class="point"
    :class="{ 'cut-out': picture.cut_out }"
    :aria-label="say('focus-point-what-must-stay-sight')"
    @click="point"
    @keydown="step"
  >
    <img :src="picture.large" alt="" draggable="false" />
    <i :style="{ left: `${picture.focus.x / 10}%`, top: `${picture.focus.y / 10}%` }" />
  </button>
</template>

<style scoped>
.point {
  position: relative;
  display: block;
  justify-self: center;
  cursor: crosshair;
}
.cut-out {
  background: repeating-conic-gradient(var(--chequer) 0 25%, var(--chequer-light) 0 50%) 0 0 / 18px 18px;
}
.point img {
  display: block;
  max-width: 100%;
  max-height: 300px;
}
i {
  position: absolute;
  width: 26px;
  height: 26px;
  margin: -13px;
  border: 2px solid var(--page);
  border-radius: 50%;
  background: color-mix(in srgb, var(--accent) 33%, transparent);
  box-shadow:
    0 0 0 1.5px var(--accent),
    inset 0 0 0 1.5px var(--accent);
  pointer-events: none;
}
</style>
