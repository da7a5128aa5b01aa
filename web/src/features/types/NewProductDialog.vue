<script setup lang="ts">
import { mdiClose } from "@mdi/js";
import { computed, onMounted, ref } from "vue";
import { useRouter } from "vue-router";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import DialogSheet from "../../ui/DialogSheet.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import FilePick from "../../ui/fields/FilePick.vue";
import LongText from "../../ui/fields/LongText.vue";
import MoneyInput from "../../ui/fields/MoneyInput.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { useUploads } from "../../ui/upload/useUploads";
import { sendPicture } from "../pictures/sendPicture";
import { LOCALE, say } from "../../words";

/** A product of a type: it begins with what the type has, in the values that are chosen here, with what is said here. */
const props = defineProps<{ kind: { handle: string; name: string }; first: boolean }>();
const emit = defineEmits<{ close: [] }>();
const router = useRouter();
const beginning = ref<Schemas["Beginning"] | null>(null);
const name = ref("");
const price = ref("");
const summary = ref("");
const files = ref<File[]>([]);
const pick = ref<InstanceType<typeof FilePick> | null>(null);
const problem = ref<ApiError | null>(null);

async function load(): Promise<void> {
  const params = { path: { handle: props.kind.handle } };
  const { data, error } = await ask(api.GET("/api/types/{handle}/beginning", { params }));
  problem.value = error ?? null;
  beginning.value = data ?? null;
  if (data && price.value === "") price.value = data.price;
}
onMounted(load);

type Option = Schemas["BeginningOption"];
const chosen = ref(new Set<number>());
function flip(id: number): void {
  if (!chosen.value.delete(id)) chosen.value.add(id);
}
/** Where none is chosen it is made in all of them. */
const madeIn = (option: Option): number =>
  option.values.filter((value) => chosen.value.has(value.id)).length || option.values.length;
const options = computed(() => (beginning.value?.options ?? []).filter((option) => option.values.length > 0));
const count = computed(() => options.value.reduce((product, option) => product * madeIn(option), 1));
const told = computed(() => {
  const most = beginning.value?.most ?? 0;
  const number = count.value.toLocaleString(LOCALE);
  return count.value > most
    ? say("new-product-dialog-too-many", { number, most })
    : say("new-product-dialog-variants", { count: count.value, number });
});

let handle = "";
const pictures = useUploads(
  (parcel) => sendPicture(handle, parcel),
  () => undefined,
);
async function add(): Promise<void> {
  const body = {
    kind: props.kind.handle,
    name: name.value,
    price: price.value,
    summary: summary.value,
    values: [...chosen.value],
  };
  const { data, error } = await ask(api.POST("/api/products", { body }));
  problem.value = error ?? null;
  if (!data) return;
  ({ handle } = data);
  pictures.put(files.value);
  await router.push({ name: "variants", params: { handle } });
}
</script>

<template>
  <DialogSheet
    :title="`${first ? say('new-product-dialog-first') : say('new-product-dialog-new-one')} ${kind.name}`"
    :width="560"
    :act="say('new-product-dialog-add')"
    :ready="name.trim() !== ''"
    @submit.prevent="add"
    @close="emit('close')"
  >
    <p class="soft">
      {{
        say("new-product-dialog-begins-types-options-variant", {
          first: first ? say("new-product-dialog-takes-place-sample") : "",
        })
      }}
    </p>
    <ProblemNote :problem="problem" v-on="beginning ? {} : { retry: load }" />
    <div class="all">
      <div class="row named">
        <label>
          <span class="soft">{{ say("new-product-dialog-name") }}</span>
          <TextInput v-model="name" maxlength="200" required />
        </label>
        <label>
          <span class="soft">{{ say("new-product-dialog-price", { currency: beginning?.currency ?? "" }) }}</span>
          <MoneyInput v-model="price" />
        </label>
      </div>
      <fieldset v-for="option in options" :key="option.name">
        <legend>
          {{ option.name }}
          <span class="soft">{{
            madeIn(option) < option.values.length
              ? say("new-product-dialog-some", { some: madeIn(option), all: option.values.length })
              : say("new-product-dialog-all", { all: option.values.length })
          }}</span>
        </legend>
        <button
          v-for="value in option.values"
          :key="value.id"
          type="button"
          class="pill"
          :aria-pressed="chosen.has(value.id)"
          @click="flip(value.id)"
        >
          {{ value.name }}
        </button>
      </fieldset>
      <p v-if="beginning" class="soft" role="status">{{ told }}</p>
      <label>
        <span class="soft">{{ say("new-product-dialog-summary") }}</span>
        <LongText v-model="summary" rows="2" maxlength="2000" />
      </label>
      <div class="pictures">
        <span v-for="(file, index) in files" :key="index" class="chip">
          {{ file.name }}
          <button
            type="button"
            :aria-label="say('new-product-dialog-leave-out', { name: file.name })"
            @click="files.splice(index, 1)"
          >
            <v-icon :icon="mdiClose" size="13" />
          </button>
        </span>
        <button type="button" class="quiet" @click="pick?.open()">{{ say("new-product-dialog-pictures") }}</button>
        <FilePick ref="pick" multiple accept="image/*,video/*" @picked="files.push(...$event)" />
      </div>
    </div>
  </DialogSheet>
</template>

<style scoped src="../../ui/form.css"></style>
<style scoped>
.named {
  grid-template-columns: 3fr 1fr;
}
.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
}
</style>
