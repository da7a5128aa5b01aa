<script setup lang="ts">
import { mdiDotsHorizontal } from "@mdi/js";

/** A list of acts (`v-list-item`) below a button: three dots, or whatever stands in its place. */
defineProps<{ label?: string }>();
</script>

<template>
  <v-menu max-height="min(560px, 80vh)">
    <template #activator="{ props: menu }">
      <slot name="button" :menu="menu">
        <v-btn v-bind="menu" variant="text" :icon="mdiDotsHorizontal" size="small" :aria-label="label" />
      </slot>
    </template>
    <v-list><slot /></v-list>
  </v-menu>
</template>
