<script setup lang="ts">
import { computed } from "vue";
import { useDesk } from "./deskStore";

/** Where stands what was moved last, for whoever doesn't see the order. By itself: the order isn't
 * drawn anew for it. */
const desk = useDesk();
const said = computed(() => (desk.waiting === 0 ? desk.moved : desk.drawn?.moved));
</script>

<template>
  <p class="unseen" role="status" data-test="moved">{{ said }}</p>
</template>
