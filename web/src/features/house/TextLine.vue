<script setup lang="ts">
import { say } from "../../words";

/** A text or a kept look in a line: its name, and how it is set on each screen. */
defineProps<{ label: string; says: string; phone: string; own: boolean; chosen: boolean }>();
defineEmits<{ choose: [] }>();
</script>

<template>
  <button class="text" :aria-pressed="chosen" @click="$emit('choose')">
    <span class="name">
      <span v-if="own" class="dot" role="img" :aria-label="say('token-field-set-you')" />{{ label }}
    </span>
    <small>
      {{ says }}<template v-if="phone !== says">; {{ say("house-texts-phone", { says: phone }) }}</template>
    </small>
  </button>
</template>

<style scoped>
.text {
  display: grid;
  gap: 0 8px;
  width: 100%;
  padding: 3px 14px 4px;
  text-align: left;
  text-decoration: none;
}
.text:hover {
  background: var(--paper);
}
.text[aria-pressed="true"] {
  background: var(--accent-weak);
  box-shadow: inset 3px 0 0 var(--accent);
}
.text[aria-pressed="true"] .name {
  font-weight: 600;
}
small {
  overflow: hidden;
  color: var(--soft);
  text-overflow: ellipsis;
  white-space: nowrap;
}
.dot {
  margin-right: 5px;
}
</style>
