<script setup lang="ts">
import { computed } from "vue";
import { useOutbox } from "../../session/useOutbox";
import SignInForm from "./SignInForm.vue";
import { useSession } from "./session";
import DialogSheet from "../../ui/DialogSheet.vue";

/** The session has ended while its owner was at work: signing in again over the view as it stands. */
const session = useSession();
const outbox = useOutbox();
const waiting = computed(() => (outbox.waiting === 1 ? "1 step waits" : `${outbox.waiting} steps wait`));
</script>

<template>
  <DialogSheet
    :model-value="session.over"
    :title="session.other ? `You are ${session.other} now` : 'Sign in again'"
    label="Sign in again"
    :width="380"
    leave=""
    persistent
    role="alertdialog"
    aria-label="Sign in again"
  >
    <p v-if="session.other">
      {{ session.owner }} was at work here.
      {{ outbox.waiting ? `${waiting} and will be sent when ${session.owner} signs in here again.` : "" }}
      The view begins anew for you.
    </p>
    <SignInForm v-else>
      <p>
        Your session has ended, {{ session.owner }}. Everything stands as you left it{{
          outbox.waiting ? `; ${waiting} and will be sent then` : ""
        }}.
      </p>
    </SignInForm>
    <template v-if="session.other" #acts>
      <v-btn @click="session.signBackOut">Sign in as {{ session.owner }}</v-btn>
      <v-btn variant="flat" color="primary" @click="session.beginAnew">Go on as {{ session.other }}</v-btn>
    </template>
  </DialogSheet>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
