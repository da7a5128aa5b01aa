<script setup lang="ts">
import { computed, nextTick, ref, watch } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import { useJournal } from "../../session/useJournal";
import JournalBar from "../../ui/JournalBar.vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { useTitle } from "../../ui/useTitle";
import UploadList from "../../ui/upload/UploadList.vue";
import { useDropped } from "../../ui/upload/useDropped";
import { useUploads } from "../../ui/upload/useUploads";
import PictureCard from "./PictureCard.vue";
import PicturePanel from "./PicturePanel.vue";
import { type Picture, usePictures } from "./usePictures";
import { sendPicture } from "./sendPicture";
import FilePick from "../../ui/fields/FilePick.vue";
import { say } from "../../words";

/** Those of the product with this handle, or the shop's own. */
const props = defineProps<{ handle?: string }>();
const control = usePictures(() => props.handle);
const { view, pictures, waiting, chosen, proposed, problem, overtaken, pending } = control;
useTitle(() => props.handle && view.value && say("pictures-view-pictures", { name: view.value.name ?? "" }));
const product = computed(() => (props.handle === undefined ? {} : { product: props.handle }));
const journal = useJournal(
  () => ({ ...product.value, view: "pictures" }),
  () => view.value,
  control.stepThenRead,
);
const { uploads, put, forget } = useUploads(
  (parcel) => sendPicture(props.handle, parcel),
  () => void control.load(),
  // However they landed: behind the others, in the order of their files.
  (landed) => {
    const ids = landed.map((one) => one.id);
    void control.order([...pictures.value.map((p) => p.id).filter((id) => !ids.includes(id)), ...ids]);
  },
);
watch(
  () => props.handle,
  () => void control.load(),
  { immediate: true },
);

// Dragging and keys change this order at once; the server's answer to the last of them replaces it.
const order = ref<Picture[]>([]);
watch([pictures, pending], ([now, steps]) => steps === 0 && (order.value = [...now]), { immediate: true });
const keepOrder = () => void control.order(order.value.map((p) => p.id));
function move(picture: Picture, step: -1 | 1): void {
  const from = order.value.findIndex((p) => p.id === picture.id);
  const to = from + step;
  if (to < 0 || to >= order.value.length) return;
  order.value.splice(from, 1);
  order.value.splice(to, 0, picture);
  keepOrder();
  // A card that is moved on the page loses the focus.
  void nextTick(() => document.querySelector<HTMLElement>(`[data-picture="${picture.id}"] button`)?.focus());
}

const files = ref<InstanceType<typeof FilePick> | null>(null);
const { over, held, dropped } = useDropped(put);
</script>

<template>
  <main class="pictures" @dragover="held" @dragleave.self="over = false" @drop.prevent="dropped">
    <div class="view-head">
      <h1>
        {{
          handle ? say("pictures-view-pictures", { name: view?.name ?? "" }) : say("pictures-view-shops-own-pictures")
        }}
      </h1>
      <span class="soft" role="status">
        {{ say("pictures-view-pictures-b", { count: pictures.length }) }}
        <template v-if="waiting"> {{ say("pictures-view-sizes-being-made", { waiting }) }}</template>
      </span>
      <span class="space" />
      <JournalBar
        :control="journal"
        :of="handle ? product : { view: 'pictures' }"
        :name="view?.name ?? say('pictures-view-shops-own-pictures-b')"
        @changed="control.load"
      />
      <a v-if="handle" :href="`/shop/products/${handle}`" target="_blank" rel="noopener">{{
        say("pictures-view-see-page")
      }}</a>
      <v-btn variant="flat" color="primary" @click="files?.open()">{{ say("pictures-view-add-pictures") }}</v-btn>
      <FilePick ref="files" multiple accept="image/*,video/mp4,video/webm,.avif" @picked="put" />
    </div>
    <ProblemNote class="problem" :problem="problem" :overtaken="overtaken" @retry="control.load" />
    <div class="halves">
      <div class="left">
        <UploadList
          :uploads="uploads"
          @forget="forget"
          @forget-all="uploads = uploads.filter((u) => u.state !== 'failed')"
          @cancel-all="uploads.filter((u) => u.state !== 'failed').forEach((u) => u.cancel())"
        />
        <p v-if="proposed.length" class="proposal">
          <span>
            {{ say("pictures-view-names-files-match-values", { count: proposed.length }) }}
          </span>
          <button class="quiet" @click="control.takeProposed">{{ say("pictures-view-give-them-these-values") }}</button>
        </p>
        <VueDraggable
          v-model="order"
          tag="ul"
          class="grid"
          :animation="120"
          :delay="180"
          delay-on-touch-only
          @end="keepOrder"
        >
          <PictureCard
            v-for="(picture, index) in order"
            :key="picture.id"
            :picture="picture"
            :number="index + 1"
            :chosen="chosen.includes(picture.id)"
            :options="view?.options ?? []"
            @choose="(more) => control.choose(picture.id, more)"
            @move="(step) => move(picture, step)"
          />
        </VueDraggable>
        <EmptyPlace
          v-if="view && pictures.length === 0 && uploads.length === 0"
          :title="say('pictures-view-no-pictures-yet')"
        >
          {{
            say("pictures-view-drop-files-here-jpeg", {
              handle: handle ? "" : say("pictures-view-pictures-films-picture-film"),
            })
          }}
        </EmptyPlace>
      </div>
      <PicturePanel :control="control" @replace="(file, id) => put([file], id)" @remove="control.remove([...chosen])" />
    </div>
    <div v-if="over" class="drop-over">{{ say("pictures-view-let-go-add-pictures") }}</div>
  </main>
</template>

<style scoped>
.pictures {
  position: relative;
  display: flex;
  flex-direction: column;
  height: calc(100dvh - var(--top) - var(--foot));
  min-height: 480px;
}
.problem {
  margin: 8px 14px;
}
.halves {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 340px;
  min-height: 0;
}
.left {
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 14px;
  overflow-y: auto;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 6px;
  margin: 0;
  padding: 0;
}
.proposal {
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 0;
  padding: 6px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--accent-weak);
}
.drop-over {
  inset: 58px 350px 10px 10px;
}
@media (max-width: 900px) {
  .pictures {
    height: auto;
  }
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .drop-over {
    right: 10px;
  }
}
</style>
