<script setup lang="ts">
import { mdiClose, mdiMagnify } from "@mdi/js";
import { ref } from "vue";
import { say } from "../../words";

/** What is typed here leaves those that fit; Escape empties it. */
defineOptions({ inheritAttrs: false });
const typed = defineModel<string>({ required: true });
defineProps<{ label: string }>();
const field = ref<HTMLInputElement | null>(null);
function empty(): void {
  typed.value = "";
  field.value?.focus();
}
defineExpose({ focus: () => field.value?.focus() });
</script>

<template>
  <span class="search">
    <v-icon :icon="mdiMagnify" size="16" />
    <input
      ref="field"
      v-model="typed"
      class="control"
      role="searchbox"
      autocomplete="off"
      spellcheck="false"
      :aria-label="label"
      :placeholder="label"
      v-bind="$attrs"
      @keydown.esc.stop="empty"
    />
    <button v-if="typed" class="empty" :aria-label="say('search-field-empty-search')" @click="empty">
      <v-icon :icon="mdiClose" size="14" />
    </button>
  </span>
</template>

<style scoped>
.search {
  position: relative;
  display: block;
}
.search > .v-icon {
  position: absolute;
  top: 6px;
  left: 8px;
  color: var(--soft);
  pointer-events: none;
}
.control {
  width: 100%;
  padding: 4px 26px 4px 28px;
}
.empty {
  position: absolute;
  top: 2px;
  right: 2px;
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  color: var(--soft);
}
.empty:hover {
  color: var(--ink);
}
</style>
