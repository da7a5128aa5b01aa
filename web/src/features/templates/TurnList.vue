<script setup lang="ts">
import type { Schemas } from "../../api/client";
import { onThe } from "../../ui/when";
import { say } from "../../words";

/** What the dates of a template's reach will change. */
defineProps<{ turns: Schemas["TurnTold"][] }>();
</script>

<template>
  <p v-for="turn in turns" :key="turn.at" class="turn">
    <b>{{ say("turn-list-from", { at: onThe(turn.at) }) }}</b>
    {{ turn.says.length ? turn.says.join("; ") : say("turn-list-nothing-changes-other-templates") }}.
  </p>
</template>

<style scoped>
.turn {
  margin: 0;
}
</style>
