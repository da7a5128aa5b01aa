<script setup lang="ts">
import { computed } from "vue";
import type { Page } from "./useImpact";
import TickBox from "../../ui/fields/TickBox.vue";
import { say } from "../../words";

/** A page that changes: looked at, and where one may choose, chosen to be published. */
const chosen = defineModel<string[] | undefined>("chosen", { required: true });
const props = defineProps<{ page: Page; looking: { handle: string } | null }>();
defineEmits<{ look: [] }>();
const here = computed(() => props.page.handle === props.looking?.handle);
</script>

<template>
  <div class="line" role="listitem" :class="{ here }">
    <TickBox
      v-if="chosen"
      v-model="chosen"
      :value="page.handle"
      :aria-label="say('page-line-publish', { name: page.name })"
    />
    <button :aria-pressed="here" @click="$emit('look')">{{ page.name }}</button>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 0 -14px;
  padding: 0 14px;
}
button {
  flex: 1;
  min-height: 26px;
  overflow: hidden;
  padding: 4px 0;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.here {
  background: var(--accent-weak);
  box-shadow: inset 3px 0 0 var(--accent);
}
</style>
