<script setup lang="ts">
import { computed } from "vue";
import { useOutbox } from "../session/useOutbox";
import { timeOf, when } from "./when";
import { say } from "../words";

/** How what was done stands: kept, on its way, waiting, refused; and what an earlier visit has left behind. */
const outbox = useOutbox();
const steps = (count: number): string => say("saved-state-steps", { count });
const wait = computed(() => say("saved-state-wait", { waiting: steps(outbox.waiting), waiting2: outbox.waiting }));
const left = computed(() => {
  const [first] = outbox.left;
  const views = [...new Set(outbox.left.map((step) => step.called))].join(", ");
  return first
    ? say("saved-state-not-sent", {
        count: steps(outbox.left.length),
        toISOString: when(new Date(first.number).toISOString()),
        views,
      })
    : "";
});
const refused = computed(() => outbox.refused[0]);
const said = computed(() => {
  if (outbox.stuck === "signed_out") return say("saved-state-until-you-have-signed", { wait: wait.value });
  if (outbox.stuck === "offline") return say("saved-state-connection", { wait: wait.value });
  if (outbox.files > 0) return say("saved-state-files-their-way", { files: outbox.files });
  if (outbox.saving) return say("saved-state-saving");
  if (outbox.savedAt) return say("saved-state-saved", { time: timeOf(outbox.savedAt) });
  return outbox.left.length > 0 ? "" : say("saved-state-everything-saved");
});
const reload = (): void => location.reload();
</script>

<template>
  <span class="saved">
    <span v-if="outbox.renewed" class="one">
      <span>{{ say("saved-state-new-version-compagina-there") }}</span>
      <button class="quiet" @click="reload">{{ say("saved-state-load") }}</button>
    </span>
    <span v-if="left" class="one" data-test="left">
      <span class="signal">{{ left }}</span>
      <button class="quiet" @click="outbox.sendLeft">{{ say("saved-state-send-them") }}</button>
      <button class="quiet" @click="outbox.letGo">{{ say("saved-state-let-them-go") }}</button>
    </span>
    <span v-if="refused" class="one" role="alert">
      <span class="signal">{{ refused.called }}: {{ refused.why }}</span>
      <button class="quiet" @click="outbox.understood">{{ say("saved-state-understood") }}</button>
    </span>
    <span class="one">
      <span
        role="status"
        :aria-busy="outbox.waiting > 0 || undefined"
        :class="outbox.stuck ? 'signal' : 'soft'"
        data-test="saved"
        >{{ said }}</span
      >
      <button v-if="outbox.stuck === 'offline'" class="quiet" @click="outbox.goOn">
        {{ say("saved-state-try-now") }}
      </button>
    </span>
  </span>
</template>

<style scoped>
.saved {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  align-items: center;
  justify-content: flex-end;
  min-width: 0;
}
.one {
  display: flex;
  gap: 10px;
  align-items: center;
  min-width: 0;
}
.one > span {
  overflow-wrap: anywhere;
}
.quiet {
  white-space: nowrap;
}
</style>
