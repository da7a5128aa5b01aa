<script setup lang="ts">
import { mdiDotsHorizontal } from "@mdi/js";
import { mergeProps, onBeforeUnmount, ref, useId } from "vue";

/**
 * A list of acts (`v-list-item`) below a button: three dots, or whatever stands in its place. It opens as the button is
 * pressed; letting go over an act does that, letting go on the button leaves it open.
 */
defineProps<{ label?: string }>();

const open = ref(false);
const id = useId();
let pressed = false;
function press(event: MouseEvent): void {
  if (event.button !== 0 || open.value) return;
  pressed = open.value = true;
  addEventListener("mouseup", release, { once: true, capture: true });
}
function release(event: MouseEvent): void {
  const act =
    event.target instanceof Element ? event.target.closest<HTMLElement>(`[data-acts="${id}"] .v-list-item`) : null;
  act?.click();
}
/** Of the press that opened it, or one more; keys click without a press. */
function click(): void {
  open.value = pressed || !open.value;
  pressed = false;
}
onBeforeUnmount(() => removeEventListener("mouseup", release, true));
</script>

<template>
  <v-menu v-model="open" :open-on-click="false" max-height="min(560px, 80vh)" @update:model-value="pressed = false">
    <template #activator="{ props: menu }">
      <slot name="button" :menu="mergeProps(menu, { onMousedown: press, onClick: click })">
        <v-btn
          v-bind="mergeProps(menu, { onMousedown: press, onClick: click })"
          variant="text"
          :icon="mdiDotsHorizontal"
          size="small"
          :aria-label="label"
        />
      </slot>
    </template>
    <v-list :data-acts="id"><slot /></v-list>
  </v-menu>
</template>
