<script setup lang="ts">
import { useDesk } from "./deskStore";

/** Where stands what was moved last, for whoever doesn't see the order. By itself, since it is told before the answer:
 * the order isn't drawn anew for it. */
const desk = useDesk();
</script>

<template>
  <p class="unseen" role="status" data-test="moved">{{ desk.moved }}</p>
</template>
