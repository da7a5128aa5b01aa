<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, toValue } from "vue";
import { isTyping } from "../useUndoKeys";
import { EVERYWHERE, isHeard, letters, listed, ofView } from "./keys";
import TickBox from "../fields/TickBox.vue";
import DialogSheet from "../DialogSheet.vue";
import { say } from "../../words";

/** What keys do in the view that is open; opened by ? or under one's name. */
const keys = computed(() => {
  const own = toValue(ofView.value?.keys) ?? [];
  const told = new Set(own.map(([key]) => key));
  return [...own, ...EVERYWHERE.filter(([key]) => !told.has(key))];
});
function onKey(event: KeyboardEvent): void {
  if (event.key !== "?" || event.ctrlKey || event.metaKey || isTyping(event) || !isHeard(event)) return;
  event.preventDefault();
  listed.value = true;
}
onMounted(() => addEventListener("keydown", onKey));
onBeforeUnmount(() => removeEventListener("keydown", onKey));
</script>

<template>
  <DialogSheet
    v-model="listed"
    :title="ofView?.title ?? say('keys-dialog-keys')"
    :label="say('keys-dialog-keys')"
    :width="400"
    :leave="say('keys-dialog-close')"
  >
    <dl>
      <template v-for="[key, what] in keys" :key="key">
        <dt>{{ key }}</dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
    <label>
      <TickBox v-model="letters" />
      {{ say("keys-dialog-letters-signs-alone-do") }}
    </label>
  </DialogSheet>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 18px;
  margin: 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
label {
  display: flex;
  gap: 8px;
  align-items: baseline;
  color: var(--soft);
}
label input {
  flex: none;
}
</style>
