<script setup lang="ts">
import { computed, ref } from "vue";
import { useResizeObserver } from "../../ui/useResizeObserver";
import { SCREENS } from "../desk/types";

/** A page as it is, drawn small enough to stand beside another. */
const props = defineProps<{ address: string; title: string; phone: boolean }>();
const frame = ref<HTMLElement | null>(null);
const room = useResizeObserver(frame);
const width = computed(() => SCREENS[props.phone ? "phone" : "wide"].width);
const scale = computed(() => room.value.width / width.value || 1);
</script>

<template>
  <figure :class="{ phone }">
    <figcaption class="soft">{{ title }}</figcaption>
    <div ref="frame" class="frame">
      <iframe
        :key="address"
        :src="address"
        :title="title"
        tabindex="-1"
        :style="{ width: `${width}px`, height: `${room.height / scale}px`, transform: `scale(${scale})` }"
      />
    </div>
  </figure>
</template>

<style scoped>
figure {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
  margin: 0;
}
.phone {
  flex: 0 1 330px;
}
.frame {
  position: relative;
  flex: 1;
  overflow: hidden;
  background: var(--page);
  box-shadow: var(--shadow);
}
iframe {
  position: absolute;
  top: 0;
  left: 0;
  border: 0;
  transform-origin: 0 0;
}
</style>
