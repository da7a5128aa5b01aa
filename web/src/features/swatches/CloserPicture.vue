<script setup lang="ts">
import { ref } from "vue";
import { sendFile } from "../../api/upload";
import { sendAsPicture } from "../pictures/sendPicture";
import { useUploads } from "../../ui/upload/useUploads";
import UploadList from "../../ui/upload/UploadList.vue";
import type { BookControl, BookOption, BookValue } from "./useBook";
import FilePick from "../../ui/fields/FilePick.vue";
import { say } from "../../words";

/** A larger picture, shown to shoppers who point at the value. */
const props = defineProps<{ book: BookControl; value: BookValue }>();
const files = ref<InstanceType<typeof FilePick> | null>(null);
const { uploads, put, forget } = useUploads<BookOption>(
  ({ file, tell, signal }) => {
    const at = `/api/options/${props.book.option.value?.handle ?? ""}/values/${props.value.id}/closer`;
    return sendAsPicture(file, (_, body) => sendFile("PUT", at, body, tell, signal));
  },
  (now) => {
    if (now.handle === props.book.option.value?.handle) props.book.show(now);
  },
);
</script>

<template>
  <div class="closer">
    <span class="soft">{{ say("closer-picture-larger-picture-while-pointed") }}</span>
    <img v-if="value.closer" :src="value.closer" alt="" />
    <UploadList
      :uploads="uploads"
      @forget="forget"
      @forget-all="uploads = []"
      @cancel-all="uploads.forEach((u) => u.cancel())"
    />
    <span class="acts">
      <button class="quiet" @click="files?.open()">
        {{ value.closer ? say("closer-picture-another-picture") : say("closer-picture-choose-picture") }}
      </button>
      <button v-if="value.closer" class="quiet" @click="book.removeCloser(value.id)">
        {{ say("closer-picture-take-out") }}
      </button>
    </span>
    <FilePick ref="files" accept="image/*,.avif" @picked="put" />
  </div>
</template>

<style scoped>
.closer {
  display: grid;
  gap: 4px;
  justify-items: start;
}
img {
  max-width: 140px;
  max-height: 110px;
  border: 1px solid var(--line);
  border-radius: 6px;
}
.acts {
  display: flex;
  gap: 10px;
}
</style>
