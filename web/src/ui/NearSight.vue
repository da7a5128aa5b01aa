<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from "vue";
import { watchNear } from "./nearSight";

/** An entry of a list of however many: it is drawn only near sight, and keeps its place elsewhere. */
const props = defineProps<{ tag: string; height: number }>();
const holder = ref<HTMLElement | null>(null);
const near = ref(false);
/** Its height as it was drawn last. */
const tall = ref(props.height);
let end: (() => void) | undefined;

onMounted(() => {
  const element = holder.value;
  if (!element) return;
  end = watchNear(element, (now) => {
    // What has the focus stays, however far one scrolls.
    if (!now && element.contains(document.activeElement)) return;
    if (!now && near.value) tall.value = element.offsetHeight;
    near.value = now;
  });
});
onBeforeUnmount(() => end?.());
</script>

<template>
  <component :is="tag" ref="holder" :style="near ? undefined : { height: `${tall}px` }">
    <slot v-if="near" />
  </component>
</template>
