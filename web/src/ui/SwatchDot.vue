<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../api/client";
import { mediaAddress } from "../api/media";

/** A swatch as the shop draws it; a value that shows its text has an empty place. */
const props = defineProps<{ swatch: Schemas["Swatch"]; size: number; pale?: boolean }>();
const background = computed(() => {
  const { swatch } = props;
  if (swatch.kind === "picture") return `url(${mediaAddress(swatch.hash)}) 50%/cover ${swatch.over ?? ""}`;
  if (swatch.kind === "text") return "";
  const { colours } = swatch;
  const step = 100 / colours.length;
  return `linear-gradient(135deg,${colours.map((c, i) => `${c} ${i * step}% ${(i + 1) * step}%`).join(",")})`;
});
</script>

<template>
  <span
    class="swatch-dot"
    :class="{ bare: swatch.kind === 'text', pale }"
    :style="{ width: `${size}px`, height: `${size}px`, background }"
  />
</template>

<style scoped>
.swatch-dot {
  display: inline-block;
  flex: none;
  border-radius: 50%;
  box-shadow: inset 0 0 0 1px var(--rim);
}
.pale {
  box-shadow: inset 0 0 0 1.5px var(--dash);
}
.bare {
  border: 1.5px dashed var(--dash);
  box-shadow: none;
}
</style>
