<script setup lang="ts">
import { mdiClose } from "@mdi/js";
import { computed } from "vue";
import ProgressLine from "../notes/ProgressLine.vue";
import type { Upload } from "./useUploads";
import { say } from "../../words";

const props = defineProps<{ uploads: Upload[] }>();
defineEmits<{ forget: [upload: Upload]; forgetAll: []; cancelAll: [] }>();
const open = computed(() => props.uploads.filter((u) => u.state !== "failed"));
const failed = computed(() => props.uploads.filter((u) => u.state === "failed"));
/** Many at once are told by their number; those on their way by their names. */
const going = computed(() => open.value.filter((u) => u.state === "going"));
</script>

<template>
  <section v-if="uploads.length" class="uploads" :aria-label="say('upload-list-files-their-way')">
    <div v-if="open.length" class="head">
      <b role="status">{{ say("upload-list-files-way", { count: open.length }) }}</b>
      <button class="quiet" @click="$emit('cancelAll')">{{ say("upload-list-cancel-all") }}</button>
    </div>
    <div v-for="upload in going" :key="upload.key" class="one">
      <span class="name">{{ upload.name }}</span>
      <ProgressLine
        :label="`${upload.name}, ${Math.round(upload.gone * 100)} %`"
        :done="upload.gone"
        :of="upload.gone === 1 ? undefined : 1"
      />
      <button
        class="tool"
        :aria-label="say('upload-list-cancel', { name: upload.name })"
        :title="say('upload-list-cancel-b')"
        @click="upload.cancel"
      >
        <v-icon :icon="mdiClose" size="14" />
      </button>
    </div>
    <div v-for="upload in failed" :key="upload.key" class="failed" role="alert">
      <span class="signal">{{ upload.why }}</span>
      <button
        class="tool"
        :aria-label="say('upload-list-understood', { name: upload.name })"
        :title="say('upload-list-understood-b')"
        @click="$emit('forget', upload)"
      >
        <v-icon :icon="mdiClose" size="14" />
      </button>
    </div>
    <button v-if="failed.length > 1" class="quiet" @click="$emit('forgetAll')">
      {{ say("upload-list-understood-all", { count: failed.length }) }}
    </button>
  </section>
</template>

<style scoped>
.uploads {
  display: grid;
  gap: 2px;
  max-height: 220px;
  padding: 8px 12px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--field);
}
.head,
.failed {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}
.one {
  display: grid;
  grid-template-columns: minmax(0, 260px) minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
