<script setup lang="ts">
import { computed } from "vue";
import { useOutbox } from "../../session/useOutbox";
import SignInForm from "./SignInForm.vue";
import { useSession } from "./session";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** The session has ended while its owner was at work: signing in again over the view as it stands. */
const session = useSession();
const outbox = useOutbox();
const waiting = computed(() => say("sign-in-over-steps-wait", { waiting: outbox.waiting }));
</script>

<template>
  <DialogSheet
    :model-value="session.over"
    :title="session.other ? say('sign-in-over-you-now', { other: session.other }) : say('sign-in-over-sign-again')"
    :label="say('sign-in-over-sign-again')"
    :width="380"
    leave=""
    persistent
    role="alertdialog"
    :aria-label="say('sign-in-over-sign-again')"
  >
    <p v-if="session.other">
      {{
        say("sign-in-over-was-work-here-view", {
          owner: session.owner,
          waiting: outbox.waiting ? say("sign-in-over-will-sent-when-signs", { waiting, owner: session.owner }) : "",
        })
      }}
    </p>
    <SignInForm v-else>
      <p>
        {{
          say("sign-in-over-your-session-has-ended", {
            owner: session.owner,
            waiting: outbox.waiting ? say("sign-in-over-will-sent-then", { waiting }) : "",
          })
        }}
      </p>
    </SignInForm>
    <template v-if="session.other" #acts>
      <v-btn @click="session.signBackOut">{{ say("sign-in-over-sign", { owner: session.owner }) }}</v-btn>
      <v-btn variant="flat" color="primary" @click="session.beginAnew">{{
        say("sign-in-over-go", { other: session.other })
      }}</v-btn>
    </template>
  </DialogSheet>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
