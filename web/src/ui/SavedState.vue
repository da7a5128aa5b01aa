<script setup lang="ts">
import { computed } from "vue";
import { useOutbox } from "../session/useOutbox";
import { when } from "./when";

/** How what was done stands: kept, on its way, waiting, refused; and what an earlier visit has left behind. */
const outbox = useOutbox();
const steps = (count: number): string => (count === 1 ? "1 step" : `${count} steps`);
const wait = computed(() => `${steps(outbox.waiting)} ${outbox.waiting === 1 ? "waits" : "wait"}`);
const left = computed(() => {
  const [first] = outbox.left;
  const views = [...new Set(outbox.left.map((step) => step.called))].join(", ");
  return first
    ? `${steps(outbox.left.length)} of ${when(new Date(first.number).toISOString())} (${views}) not sent`
    : "";
});
const refused = computed(() => outbox.refused[0]);
const said = computed(() => {
  if (outbox.stuck === "signed_out") return `${wait.value} until you have signed in`;
  if (outbox.stuck === "offline") return `${wait.value} for the connection`;
  if (outbox.files > 0) return outbox.files === 1 ? "1 file is on its way" : `${outbox.files} files are on their way`;
  if (outbox.saving) return "Saving";
  const time = outbox.savedAt?.toLocaleTimeString([], { hour: "2-digit", minute: "2-digit", hour12: false });
  if (time) return `Saved ${time}`;
  return outbox.left.length > 0 ? "" : "Everything is saved";
});
const reload = (): void => location.reload();
</script>

<template>
  <span class="saved">
    <span v-if="outbox.renewed" class="one">
      <span>A new version of Compagina is there.</span>
      <button class="quiet" @click="reload">Load it</button>
    </span>
    <span v-if="left" class="one" data-test="left">
      <span class="signal">{{ left }}</span>
      <button class="quiet" @click="outbox.sendLeft">Send them</button>
      <button class="quiet" @click="outbox.letGo">Let them go</button>
    </span>
    <span v-if="refused" class="one" role="alert">
      <span class="signal">{{ refused.called }}: {{ refused.why }}</span>
      <button class="quiet" @click="outbox.understood">Understood</button>
    </span>
    <span class="one">
      <span
        role="status"
        :aria-busy="outbox.waiting > 0 || undefined"
        :class="outbox.stuck ? 'signal' : 'soft'"
        data-test="saved"
        >{{ said }}</span
      >
      <button v-if="outbox.stuck === 'offline'" class="quiet" @click="outbox.goOn">Try now</button>
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
