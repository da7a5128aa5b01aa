<script setup lang="ts">
import { onMounted, ref } from "vue";
import { say } from "../../../words";

/** The upper edge of the slip: it is dragged, or moved by arrows, and stays where it was put. */
const KEPT = "slip-height";
const LEAST = 160;
/** The order above keeps the chosen line and its neighbours. */
const ABOVE = 134;
const STEP = 24;
const edge = ref<HTMLElement | null>(null);
const height = ref(Number(localStorage.getItem(KEPT)) || 0);
const most = ref(0);

function measure(): number {
  const left = edge.value?.parentElement?.parentElement;
  return (left?.clientHeight ?? 0) - ABOVE;
}
function put(to: number): void {
  most.value = measure();
  height.value = Math.round(Math.min(most.value, Math.max(LEAST, to)));
  show();
  localStorage.setItem(KEPT, String(height.value));
}
function show(): void {
  const left = edge.value?.parentElement?.parentElement;
  if (height.value > 0) left?.style.setProperty("--slip", `${height.value}px`);
  else left?.style.removeProperty("--slip");
}
function reset(): void {
  height.value = 0;
  localStorage.removeItem(KEPT);
  show();
}
const now = (): number => edge.value?.parentElement?.offsetHeight ?? 0;
function drag(event: PointerEvent): void {
  const [from, begun] = [event.clientY, now()];
  const handle = event.currentTarget as HTMLElement;
  handle.setPointerCapture(event.pointerId);
  const move = (one: PointerEvent): void => put(begun + from - one.clientY);
  const end = (): void => {
    handle.removeEventListener("pointermove", move);
    handle.removeEventListener("pointerup", end);
    handle.removeEventListener("pointercancel", end);
  };
  handle.addEventListener("pointermove", move);
  handle.addEventListener("pointerup", end);
  handle.addEventListener("pointercancel", end);
}
function onKey(event: KeyboardEvent): void {
  if (event.key === "ArrowUp") put(now() + STEP);
  else if (event.key === "ArrowDown") put(now() - STEP);
  else if (event.key === "Home") put(measure());
  else if (event.key === "End") put(LEAST);
  else return;
  event.preventDefault();
  event.stopPropagation();
}
onMounted(() => {
  most.value = measure();
  show();
});
</script>

<template>
  <div
    ref="edge"
    class="edge"
    role="separator"
    aria-orientation="horizontal"
    :aria-label="say('slip-edge-height-slip')"
    tabindex="0"
    :aria-valuenow="height || now()"
    :aria-valuemin="LEAST"
    :aria-valuemax="most"
    :title="say('slip-edge-drag-change-height-double')"
    @pointerdown.prevent="drag"
    @dblclick="reset"
    @keydown="onKey"
  />
</template>

<style scoped>
.edge {
  position: absolute;
  z-index: 3;
  top: -4px;
  right: 0;
  left: 0;
  height: 10px;
  cursor: ns-resize;
  touch-action: none;
}
.edge::before {
  content: "";
  position: absolute;
  top: 6px;
  left: 50%;
  width: 34px;
  height: 3px;
  margin-left: -17px;
  border-radius: 2px;
  background: var(--line);
}
.edge:hover::before,
.edge:focus-visible::before {
  background: var(--accent);
}
.edge:focus-visible {
  outline-offset: -4px;
}
</style>
