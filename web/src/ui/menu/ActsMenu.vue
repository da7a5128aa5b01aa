<script setup lang="ts">
import { mdiDotsHorizontal } from "@mdi/js";
import { computed, onBeforeUnmount, ref, useId } from "vue";

/**
 * A list of acts (`v-list-item`) below a button: three dots, or whatever stands in its place. It opens as the button is
 * pressed; letting go over an act does that, letting go on the button leaves it open.
 */
defineProps<{ label?: string }>();

const open = ref(false);
const id = useId();
const holder = ref<HTMLElement | null>(null);
/** There may be hundreds of such buttons in a view: the list is made when one of them is first pointed at or reached. */
const button = ref<HTMLElement | null>(null);
function arm(): void {
  button.value ??= holder.value?.firstElementChild as HTMLElement | null;
}

let pressed = false;
let heard = new AbortController();
function press(event: MouseEvent): void {
  if (event.button !== 0 || open.value) return;
  arm();
  pressed = open.value = true;
  heard = new AbortController();
  const once = { capture: true, signal: heard.signal };
  addEventListener("mouseup", release, once);
  // Of a button that is let go over a proof nothing is heard: the next press ends this one.
  addEventListener("mousedown", forget, once);
}
function forget(): void {
  pressed = false;
  heard.abort();
}
function release(event: MouseEvent): void {
  heard.abort();
  if (!(event.target instanceof Element)) return;
  event.target.closest<HTMLElement>(`[data-acts="${id}"] .v-list-item`)?.click();
}
/** Of the press that opened it, or one more; keys click without a press. */
function click(): void {
  arm();
  open.value = pressed || !open.value;
  pressed = false;
}
onBeforeUnmount(() => heard.abort());

const menu = computed(() => ({
  "aria-haspopup": "menu" as const,
  "aria-expanded": open.value,
  onPointerenter: arm,
  onFocus: arm,
  onMousedown: press,
  onClick: click,
}));
</script>

<template>
  <span ref="holder" class="holder">
    <slot name="button" :menu="menu">
      <v-btn v-bind="menu" variant="text" :icon="mdiDotsHorizontal" size="small" :aria-label="label" />
    </slot>
  </span>
  <v-menu
    v-if="button"
    v-model="open"
    :activator="button"
    :open-on-click="false"
    max-height="min(560px, 80vh)"
    @update:model-value="pressed = false"
  >
    <v-list :data-acts="id"><slot /></v-list>
  </v-menu>
</template>

<style scoped>
.holder {
  display: contents;
}
</style>
