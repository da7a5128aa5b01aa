<script setup lang="ts">
import { ref, shallowRef, watch } from "vue";
import { type ApiError, api, ask } from "../../api/client";
import { type Overtaken, asSeen } from "../../session/useSteps";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import LongText from "../../ui/fields/LongText.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** The shop's named colours, pasted or typed one a line. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ kept: [] }>();
const text = ref("");
const problem = ref<ApiError | null>(null);
const overtaken = shallowRef<Overtaken | null>(null);
/** Whether the palette as it is now is here and isn't being kept. */
const ready = ref(false);
let seen: string | undefined;

async function load(): Promise<void> {
  ready.value = false;
  const { data, error } = await ask(api.GET("/api/palette"));
  problem.value = error ?? null;
  overtaken.value = null;
  if (data) [text.value, seen, ready.value] = [data.text, data.seen, true];
}
watch(open, (now) => now && void load());

async function keep(mine = false): Promise<void> {
  ready.value = false;
  const headers = asSeen(mine ? undefined : seen);
  const { error } = await ask(api.PUT("/api/palette", { body: { text: text.value }, ...headers }));
  ready.value = true;
  const late = error?.code === "overtaken";
  problem.value = late ? null : (error ?? null);
  overtaken.value = late ? { told: error, about: undefined, mine: () => keep(true), theirs: load } : null;
  if (error) return;
  open.value = false;
  emit("kept");
}
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="say('palette-dialog-palette')"
    :width="520"
    :act="say('palette-dialog-save')"
    :ready="ready"
    @submit.prevent="keep()"
  >
    <p class="soft">
      {{ say("palette-dialog-shops-named-colours-one") }}
    </p>
    <ProblemNote :problem="problem" :overtaken="overtaken" />
    <LongText
      v-model="text"
      rows="12"
      :readonly="!ready"
      spellcheck="false"
      :aria-label="say('palette-dialog-named-colours')"
      :placeholder="say('palette-dialog-ember-d7512b-sea-green')"
    />
  </DialogSheet>
</template>
