<script setup lang="ts" generic="T extends string | number | boolean">
/** One of a few that stand side by side; there always is one. */
const value = defineModel<T>({ required: true });
defineProps<{ options: readonly { value: T; says: string }[]; label: string; off?: boolean }>();
function take(one: T): void {
  if (one !== value.value) value.value = one;
}
</script>

<template>
  <div class="one-of" role="group" :aria-label="label">
    <button
      v-for="one in options"
      :key="String(one.value)"
      type="button"
      :disabled="off"
      :aria-pressed="one.value === value"
      @click="take(one.value)"
    >
      {{ one.says }}
    </button>
  </div>
</template>

<style scoped>
.one-of {
  display: inline-flex;
  flex: none;
  overflow: hidden;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
}
button {
  flex: 1;
  min-height: 26px;
  padding: 0 10px;
  font-size: 12px;
  font-weight: 500;
  text-align: center;
  white-space: nowrap;
}
button + button {
  border-left: 1px solid var(--line);
}
button:focus-visible {
  outline-offset: -3px;
}
button:hover:enabled {
  background: var(--accent-weak);
}
button[aria-pressed="true"] {
  background: var(--ink);
  color: var(--on-ink);
  font-weight: 600;
}
button:disabled {
  color: var(--soft);
}
button[aria-pressed="true"]:hover:enabled {
  background: var(--ink);
}
button[aria-pressed="true"]:focus-visible {
  outline-color: var(--on-ink);
}
button[aria-pressed="true"]:disabled {
  background: var(--off);
}
</style>
