<script setup lang="ts">
import { mdiMenuDown, mdiMenuRight } from "@mdi/js";
import type { Head } from "./useSheet";
import { say } from "../../../words";

/** The heading of a part of the slip; folded, it tells in a line what its part holds. */
defineProps<{
  head: Head;
  /** Whether it is where one walks on. */
  at: boolean;
  /** How many columns it reaches over. */
  cells: number;
}>();
defineEmits<{ fold: []; rejoin: [] }>();
</script>

<template>
  <div class="line head" :class="{ open: head.open }" role="row">
    <div role="gridcell" :aria-colspan="cells">
      <button
        data-cell
        :data-at="at || undefined"
        :tabindex="at ? 0 : -1"
        :aria-expanded="head.open"
        @click="$emit('fold')"
      >
        <v-icon :icon="head.open ? mdiMenuDown : mdiMenuRight" size="16" aria-hidden="true" />
        <b>{{ head.name }}</b>
        <span v-if="head.text" class="aa" aria-hidden="true">{{ say("sheet-head-aa") }}</span>
        <span class="tells">
          <template v-for="(one, index) in head.tells" :key="index"
            ><template v-if="index">, </template><b v-if="one.own">{{ one.says }}</b
            ><template v-else>{{ one.says }}</template></template
          >
        </span>
      </button>
      <button
        v-if="head.set.length && head.open"
        class="rejoin quiet"
        tabindex="-1"
        :aria-label="say('sheet-head-rejoin', { count: head.set.length, name: head.name })"
        @click="$emit('rejoin')"
      >
        {{ say("sheet-head-rejoin-b", { count: head.set.length }) }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.line.head {
  grid-template-columns: minmax(0, 1fr);
}
.head > div {
  display: flex;
  align-items: center;
  min-width: 0;
}
.head.open {
  position: sticky;
  z-index: 1;
  top: 20px;
  background: var(--head);
}
.head [data-cell] {
  display: flex;
  flex: 1;
  gap: 6px;
  align-items: center;
  min-width: 0;
  height: 23px;
  margin-left: -6px;
}
.head b {
  white-space: nowrap;
}
.head:hover [data-cell] > b {
  color: var(--accent);
}
.aa {
  color: var(--soft);
  font-size: 11px;
}
.tells {
  overflow: hidden;
  color: var(--soft);
  text-overflow: ellipsis;
  white-space: nowrap;
}
.tells b {
  color: var(--ink);
}
.rejoin {
  font-size: 12px;
  white-space: nowrap;
}
</style>
