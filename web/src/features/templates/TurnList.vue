<script setup lang="ts">
import type { Schemas } from "../../api/client";
import { onThe } from "../../ui/when";

/** What the dates of a template's reach will change. */
defineProps<{ turns: Schemas["TurnTold"][] }>();
</script>

<template>
  <p v-for="turn in turns" :key="turn.at" class="turn">
    <b>From {{ onThe(turn.at) }}</b>
    {{ turn.says.length ? turn.says.join("; ") : "nothing changes: other templates go before it" }}.
  </p>
</template>

<style scoped>
.turn {
  margin: 0;
}
</style>
