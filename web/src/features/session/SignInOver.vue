<script setup lang="ts">
import { computed } from "vue";
import { useOutbox } from "../../session/useOutbox";
import SignInForm from "./SignInForm.vue";
import { useSession } from "./session";

/** The session has ended while its owner was at work: signing in again over the view as it stands. */
const session = useSession();
const outbox = useOutbox();
const waiting = computed(() => (outbox.waiting === 1 ? "1 step waits" : `${outbox.waiting} steps wait`));
</script>

<template>
  <v-dialog :model-value="session.over" max-width="380" persistent aria-label="Sign in again">
    <div class="dialog-sheet" role="alertdialog" aria-label="Sign in again">
      <template v-if="session.other">
        <h1>You are {{ session.other }} now</h1>
        <p>
          {{ session.owner }} was at work here.
          {{ outbox.waiting ? `${waiting} and will be sent when ${session.owner} signs in here again.` : "" }}
          The view begins anew for you.
        </p>
        <div class="acts">
          <v-btn @click="session.signBackOut">Sign in as {{ session.owner }}</v-btn>
          <v-btn variant="flat" color="primary" @click="session.beginAnew">Go on as {{ session.other }}</v-btn>
        </div>
      </template>
      <SignInForm v-else>
        <h1>Sign in again</h1>
        <p>
          Your session has ended, {{ session.owner }}. Everything stands as you left it{{
            outbox.waiting ? `; ${waiting} and will be sent then` : ""
          }}.
        </p>
      </SignInForm>
    </div>
  </v-dialog>
</template>

<style scoped>
p {
  margin: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  justify-content: flex-end;
}
</style>
