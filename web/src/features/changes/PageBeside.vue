<script setup lang="ts">
/** A page as it is, drawn small enough to stand beside another. */
defineProps<{ address: string; title: string; phone: boolean }>();
</script>

<template>
  <figure :class="{ phone }">
    <figcaption class="soft">{{ title }}</figcaption>
    <div class="frame">
      <iframe :key="address" :src="address" :title="title" tabindex="-1" />
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
  --page: 1280px;
  position: relative;
  flex: 1;
  overflow: hidden;
  background: var(--page);
  box-shadow: var(--shadow);
  container-type: size;
}
.phone .frame {
  --page: 390px;
}
iframe {
  position: absolute;
  top: 0;
  left: 0;
  width: var(--page);
  height: calc(100cqh / (100cqw / var(--page)));
  border: 0;
  transform: scale(calc(100cqw / var(--page)));
  transform-origin: 0 0;
}
</style>
