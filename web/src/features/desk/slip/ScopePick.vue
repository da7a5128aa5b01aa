<script setup lang="ts">
import { computed } from "vue";
import { useDesk } from "../deskStore";
import { useScope } from "../useScope";
import { say } from "../../../words";

/** For whom a value is set: everyone whom the template serves, one type, one product. */
const desk = useDesk();
const { levels, now } = useScope();
const note = computed(() => (desk.scope === "template" ? "" : say("scope-pick-order-pieces-stay-same")));
</script>

<template>
  <div v-if="levels.length > 1" class="scope">
    <div class="levels" role="group" :aria-label="say('scope-pick-whom')">
      <span aria-hidden="true">{{ say("scope-pick-for") }}</span>
      <button
        v-for="one in levels"
        :key="one.level"
        :aria-pressed="one.level === desk.scope"
        :title="
          one.level === 'template'
            ? say('scope-pick-what-set-counts-all')
            : say('scope-pick-what-set-counts-only', { name: one.name })
        "
        @click="desk.scope = one.level"
      >
        {{ one.level === "template" ? say("scope-pick-all") : one.name }}
      </button>
    </div>
    <p v-if="note" class="signal">
      <span class="unseen">{{ say("scope-pick-setting-only", { name: now?.name }) }}</span>
      {{ note }}
    </p>
  </div>
</template>

<style scoped>
.scope {
  padding: 1px 14px 3px;
}
.levels {
  display: flex;
  gap: 4px;
  align-items: center;
}
.levels > span {
  margin-right: 4px;
  color: var(--soft);
}
.levels button {
  overflow: hidden;
  min-height: 24px;
  padding: 1px 10px;
  border: 1px solid var(--line);
  border-radius: 99px;
  font-size: 12px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.levels button:hover {
  border-color: var(--ink);
}
.levels button:first-of-type {
  flex-shrink: 0;
}
.levels [aria-pressed="true"] {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--sheet);
  font-weight: 600;
}
.levels [aria-pressed="true"]:not(:first-of-type) {
  border-color: var(--signal);
  background: var(--signal);
}
p {
  margin: 2px 0 0;
  font-size: 11px;
}
</style>
