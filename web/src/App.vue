<script setup lang="ts">
import { useSession } from "./features/session/session";
import TopBar from "./ui/TopBar.vue";

const session = useSession();
</script>

<template>
  <v-app>
    <TopBar v-if="session.owner" />
    <router-view />
  </v-app>
</template>
