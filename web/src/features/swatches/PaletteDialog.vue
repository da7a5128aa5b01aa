<script setup lang="ts">
import { ref, shallowRef, watch } from "vue";
import { type ApiError, api, ask } from "../../api/client";
import { type Overtaken, asSeen } from "../../session/useSteps";
import ProblemNote from "../../ui/ProblemNote.vue";
import LongText from "../../ui/fields/LongText.vue";
import DialogSheet from "../../ui/DialogSheet.vue";

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
  <DialogSheet v-model="open" title="Palette" :width="520" act="Save" :ready="ready" @submit.prevent="keep()">
    <p class="soft">
      The shop's named colours, one a line: a name, then #RRGGBB. A colour that browsers know by name, such as Tomato,
      may stand alone. Values with these names show them wherever nothing else is set.
    </p>
    <ProblemNote :problem="problem" :overtaken="overtaken" />
    <LongText
      v-model="text"
      rows="12"
      :readonly="!ready"
      spellcheck="false"
      aria-label="Named colours"
      placeholder="Ember #D7512B&#10;Sea green #2E8B57&#10;Tomato"
    />
  </DialogSheet>
</template>
