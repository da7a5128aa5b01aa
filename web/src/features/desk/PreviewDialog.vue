<script setup lang="ts">
import { computed, ref } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { useDesk } from "./deskStore";
import DialogSheet from "../../ui/DialogSheet.vue";
import PickField from "../../ui/fields/PickField.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { LOCALE, say } from "../../words";

/** A link by which anyone can look at the draft until it runs out. */
const props = defineProps<{ product: string }>();
const emit = defineEmits<{ close: [] }>();
const desk = useDesk();
const hours = ref(24 * 7);
const link = ref<Schemas["PreviewLink"] | null>(null);
const problem = ref<ApiError | null>(null);
const said = ref("");
const path = computed(() => ({ id: desk.view?.id ?? 0 }));
const address = computed(() => (link.value ? `${location.origin}${link.value.path}` : ""));
const SPANS = [
  { value: 24, says: say("preview-dialog-day") },
  { value: 24 * 7, says: say("preview-dialog-week") },
  { value: 24 * 31, says: say("preview-dialog-month") },
];

async function make(): Promise<void> {
  const body = { hours: hours.value, product: props.product };
  const { data, error } = await ask(api.POST("/api/templates/{id}/preview", { params: { path: path.value }, body }));
  problem.value = error ?? null;
  link.value = data ?? null;
  said.value = "";
}

async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(address.value);
    said.value = say("preview-dialog-clipboard");
  } catch {
    said.value = say("preview-dialog-browser-doesnt-allow-copying");
  }
}

async function end(): Promise<void> {
  const { data, error } = await ask(api.DELETE("/api/templates/{id}/preview", { params: { path: path.value } }));
  problem.value = error ?? null;
  link.value = null;
  const count = data?.links ?? 0;
  said.value = data ? say("preview-dialog-links-ended-nobody-sees", { count }) : "";
}
</script>

<template>
  <DialogSheet
    :title="say('preview-dialog-preview-link')"
    :width="480"
    :leave="say('preview-dialog-close')"
    @close="emit('close')"
  >
    <p class="soft">
      {{ say("preview-dialog-whoever-has-link-sees") }}
    </p>
    <ProblemNote :problem="problem" @retry="make" />
    <div class="row">
      <PickField v-model="hours" :options="SPANS" :label="say('preview-dialog-lasts')" beside />
      <v-btn variant="flat" color="primary" @click="make">{{ say("preview-dialog-make-link") }}</v-btn>
    </div>
    <template v-if="link">
      <label class="field">
        <span class="called">{{ say("preview-dialog-link") }}</span>
        <TextInput :model-value="address" readonly @focus="($event.target as HTMLInputElement).select()" />
      </label>
      <div class="row">
        <span class="soft">{{
          say("preview-dialog-until", {
            until: new Date(link.until).toLocaleString(LOCALE, { dateStyle: "medium", timeStyle: "short" }),
          })
        }}</span>
        <v-btn @click="copy">{{ say("preview-dialog-copy") }}</v-btn>
      </div>
    </template>
    <p v-if="said" role="status">{{ said }}</p>
    <template #first
      ><button class="quiet" @click="end">{{ say("preview-dialog-end-all-links-draft") }}</button></template
    >
  </DialogSheet>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
}
</style>
