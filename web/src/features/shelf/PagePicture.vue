<script setup lang="ts">
/** A small picture of a live page: the page itself, drawn small; it can't be entered. */
defineProps<{ handle: string; name: string }>();
</script>

<template>
  <span class="picture">
    <iframe
      :src="`/shop/products/${handle}`"
      :title="`Page of ${name}`"
      loading="lazy"
      scrolling="no"
      tabindex="-1"
      inert
    />
  </span>
</template>

<style scoped>
.picture {
  position: relative;
  display: block;
  aspect-ratio: 1280 / 900;
  overflow: hidden;
  background: var(--page);
  container-type: inline-size;
}
iframe {
  position: absolute;
  top: 0;
  left: 0;
  width: 1280px;
  height: 900px;
  border: 0;
  transform: scale(calc(100cqw / 1280px));
  transform-origin: 0 0;
  pointer-events: none;
}
</style>
