<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useRouter } from "vue-router";
import { useJournal } from "../../session/useJournal";
import JournalBar from "../../ui/JournalBar.vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import { useTitle } from "../../ui/useTitle";
import UploadList from "../../ui/upload/UploadList.vue";
import { useDropped } from "../../ui/upload/useDropped";
import { useUploads } from "../../ui/upload/useUploads";
import { sendFile } from "../../api/upload";
import { sendAsPicture } from "../pictures/sendPicture";
import AlikeList from "./AlikeList.vue";
import MatchList from "./MatchList.vue";
import OptionHead from "./OptionHead.vue";
import OptionList from "./OptionList.vue";
import OwnList from "./OwnList.vue";
import PaletteDialog from "./PaletteDialog.vue";
import ValueFan from "./ValueFan.vue";
import ValuePanel from "./ValuePanel.vue";
import { type BookOption, useBook } from "./useBook";
import FilePick from "../../ui/fields/FilePick.vue";
import { say } from "../../words";

const props = defineProps<{ handle?: string }>();
const book = useBook(() => props.handle);
const { lines, option, problem, overtaken, loading } = book;
const journal = useJournal(
  () => ({ view: "book" }),
  () => [option.value, lines.value],
  book.stepThenRead,
);
useTitle(() => option.value && say("swatch-book-view-swatch-book", { name: option.value.name }));
// An option may have gone, or come back under another name.
watch(lines, (now) => {
  if (props.handle && now.length > 0 && !now.some((line) => line.handle === props.handle)) void open("");
});
watch(
  () => props.handle,
  () => void book.load(),
  { immediate: true },
);

const at = computed(() => `/api/options/${option.value?.handle ?? ""}/files`);
const { uploads, put, forget } = useUploads<BookOption>(
  ({ file, tell, signal }) =>
    sendAsPicture(file, (name, body) =>
      sendFile("POST", `${at.value}?${new URLSearchParams({ name }).toString()}`, body, tell, signal),
    ),
  (now) => {
    if (now.handle === option.value?.handle) book.show(now);
    void book.loadLines();
  },
);
const files = ref<InstanceType<typeof FilePick> | null>(null);
const { over, held, dropped } = useDropped(put);
const palette = ref(false);
const router = useRouter();
async function add(name: string): Promise<boolean> {
  const handle = await book.addOption(name);
  if (handle !== null) await open(handle);
  return handle !== null;
}
const open = (handle: string) => router.push({ name: "swatch-book", params: { handle } });
async function taken(handle: string): Promise<void> {
  await open(handle);
  await book.load();
}
</script>

<template>
  <main class="book" @dragover="held" @dragleave.self="over = false" @drop.prevent="dropped">
    <OptionList :lines="lines" :open="option?.handle" :make="add" @palette="palette = true">
      <JournalBar
        :control="journal"
        :of="{ view: 'book' }"
        :name="say('swatch-book-view-swatch-book-b')"
        @changed="book.load"
      />
    </OptionList>
    <section v-if="option" class="option" :aria-label="option.name">
      <OptionHead
        :option="option"
        :change="book.change"
        :remove="book.removeOption"
        @files="files?.open()"
        @taken="taken"
      />
      <ProblemNote class="problem" :problem="problem" :overtaken="overtaken" @retry="book.load" />
      <div class="halves">
        <div class="left">
          <UploadList
            :uploads="uploads"
            @forget="forget"
            @forget-all="uploads = uploads.filter((u) => u.state !== 'failed')"
            @cancel-all="uploads.filter((u) => u.state !== 'failed').forEach((u) => u.cancel())"
          />
          <ValueFan :book="book" />
          <AlikeList v-if="option.alike.length" :option="option" />
          <MatchList
            v-if="option.files.length"
            :option="option"
            @settle="book.settle"
            @remove="book.removeFiles"
            @show="book.showFiles"
          />
          <p v-else class="soft drop">
            {{ say("swatch-book-view-drop-picture-files-anywhere") }}
          </p>
          <OwnList
            v-if="option.own.length"
            :option="option"
            @rejoin="(product, value) => book.setOwn(product, value, null)"
          />
        </div>
        <ValuePanel :book="book" />
      </div>
      <FilePick ref="files" multiple accept="image/*,.avif" @picked="put" />
      <div v-if="over" class="drop-over">{{ say("swatch-book-view-let-go-give-these", { name: option.name }) }}</div>
    </section>
    <section v-else class="option">
      <ProgressLine v-if="loading" />
      <ProblemNote v-else-if="problem" class="problem" :problem="problem" @retry="book.load" />
      <EmptyPlace v-else>{{ say("swatch-book-view-products-here-have-no") }}</EmptyPlace>
    </section>
    <PaletteDialog v-model="palette" @kept="book.load" />
  </main>
</template>

<style scoped>
.book {
  display: grid;
  grid-template-columns: 272px minmax(0, 1fr);
  height: calc(100dvh - var(--top) - var(--foot));
  min-height: 480px;
}
.option {
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.problem {
  margin: 8px 14px 0;
}
.halves {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 300px;
  min-height: 0;
}
.left {
  display: flex;
  flex-direction: column;
  gap: 14px;
  padding: 14px 18px 24px;
  overflow-y: auto;
}
.drop {
  margin: 0;
  padding: 14px;
  border: 1.5px dashed var(--dash);
  border-radius: 10px;
  text-align: center;
}
.none {
  padding: 24px;
}
@media (max-width: 900px) {
  .book,
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .book {
    height: auto;
  }
}
</style>
