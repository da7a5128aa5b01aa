<script setup lang="ts">
import { nextTick } from "vue";
import { useDraftFields } from "../session/useDraftField";

/** A field that is kept when it is left. What is being typed there is never overwritten by what comes in meanwhile. */
const props = defineProps<{
  value: string;
  /** Keeps what was typed and tells whether it was taken; nothing where it can't be: what was there comes back. */
  keep: (text: string) => Promise<boolean> | boolean | null;
  /** Of what it is: what was typed for one thing isn't meant for the next. */
  of?: unknown;
}>();
const fields = useDraftFields(
  () => props.of,
  () => ({ text: props.value }),
);
const { typed } = fields;

const left = (): Promise<void> =>
  fields.keep("text", async (text) => {
    const taken = props.keep(text.trim());
    if (taken === null) fields.undo("text");
    // What it is kept as is shown here by then.
    else await nextTick();
    return (await taken) ?? true;
  });
</script>

<template>
  <input
    class="control"
    :value="typed.text"
    @input="typed.text = ($event.target as HTMLInputElement).value"
    @change="left"
    @keydown.enter="left"
  />
</template>
