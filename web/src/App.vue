<script setup lang="ts">
import { onBeforeUnmount, onMounted, watch } from "vue";
import { useRoute } from "vue-router";
import SignInOver from "./features/session/SignInOver.vue";
import { useSession } from "./features/session/session";
import { useOutbox } from "./session/useOutbox";
import SavedState from "./ui/SavedState.vue";
import TopBar from "./ui/TopBar.vue";
import KeysDialog from "./ui/keys/KeysDialog.vue";
import { viewsBeside } from "./ui/places";
import { say } from "./words";

const session = useSession();
const outbox = useOutbox();
const route = useRoute();
watch(
  () => outbox.stuck === "signed_out" && session.owner !== null,
  (over) => over && (session.over = true),
);

/** What is being typed is kept when the tab is closed: a field is left then. */
function leave(): void {
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
}
function warn(event: BeforeUnloadEvent): void {
  if (outbox.unkept || outbox.files > 0) event.preventDefault();
}
onMounted(() => {
  addEventListener("pagehide", leave);
  addEventListener("beforeunload", warn);
});
onBeforeUnmount(() => {
  removeEventListener("pagehide", leave);
  removeEventListener("beforeunload", warn);
});
</script>

<template>
  <v-app :class="{ lined: viewsBeside(route).length > 0 }">
    <TopBar v-if="session.owner" />
    <p v-if="session.unknown" class="unknown" role="status">
      {{ say("app-server-doesnt-answer-asked") }}
    </p>
    <router-view />
    <!-- The desk has it in a foot of its own; before it is known which view is opened there is none. -->
    <footer v-if="session.owner && route.name && route.name !== 'desk'" class="app-foot"><SavedState /></footer>
    <KeysDialog v-if="session.owner" />
    <SignInOver />
  </v-app>
</template>

<style scoped>
.unknown {
  margin: 96px auto;
  padding: 0 16px;
  color: var(--soft);
}
.app-foot {
  position: sticky;
  z-index: 4;
  bottom: 0;
  display: flex;
  align-items: center;
  justify-content: flex-end;
  min-height: var(--foot);
  margin-top: auto;
  padding: 2px 18px;
  border-top: 1px solid var(--line);
  background: var(--sheet);
}
</style>
