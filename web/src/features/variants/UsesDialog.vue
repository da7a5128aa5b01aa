<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp, mdiClose } from "@mdi/js";
import { computed, ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import type { VariantsControl } from "./useVariants";
import TextInput from "../../ui/fields/TextInput.vue";
import PickField from "../../ui/fields/PickField.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** By which of the shop's options a product is chosen, and which of their values it offers. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ control: VariantsControl }>();
interface Use {
  id: number;
  name: string;
  values: { id: number; name: string; on: boolean }[];
}
const lines = ref<Schemas["OptionLine"][]>([]);
const uses = ref<Use[]>([]);
const others = computed(() =>
  lines.value.filter((line) => !line.of_product && !uses.value.some((use) => use.id === line.id)),
);
const own = ref("");
const problem = ref<ApiError | null>(null);
const empty = computed(() => uses.value.some((use) => use.values.every((value) => !value.on)));

/** Whether all is here: what isn't known can't be kept as if there were nothing. */
const ready = ref(false);

async function of(line: Schemas["OptionLine"], offered: number[] | null): Promise<Use | null> {
  const { data, error } = await ask(api.GET("/api/options/{handle}", { params: { path: { handle: line.handle } } }));
  if (error) problem.value = error;
  if (!data) return null;
  const values = data.values.map(({ id, name }) => ({ id, name, on: offered?.includes(id) ?? true }));
  return { id: line.id, name: line.name, values };
}
async function read(): Promise<void> {
  [uses.value, ready.value, problem.value] = [[], false, null];
  const { data, error } = await ask(api.GET("/api/options"));
  problem.value = error ?? null;
  if (!data) return;
  lines.value = data;
  const used = (props.control.view.value?.options ?? []).flatMap((option) => {
    const line = lines.value.find((one) => one.id === option.id);
    return line
      ? [
          of(
            line,
            option.values.map((value) => value.id),
          ),
        ]
      : [];
  });
  const all = (await Promise.all(used)).filter((use) => use !== null);
  if (problem.value) return;
  [uses.value, ready.value] = [all, true];
}
// It may have been asked for before the variants were there.
watch(open, (now) => now && void read(), { immediate: true });
async function add(id: number | null): Promise<void> {
  const line = lines.value.find((one) => one.id === id);
  const use = line && (await of(line, null));
  if (use) uses.value.push(use);
}
/** An option that only this product has, with its first values. */
async function addOwn(): Promise<void> {
  const [name, ...values] = own.value.split(/[:,]/).map((part) => part.trim());
  if (!name) return;
  const body = { name, product: props.control.product() };
  const made = await ask(api.POST("/api/options", { body }));
  problem.value = made.error ?? null;
  if (!made.data) return;
  let option = made.data;
  for (const value of values.filter((one) => one !== "")) {
    const params = { path: { handle: option.handle } };
    const added = await ask(api.POST("/api/options/{handle}/values", { params, body: { name: value } }));
    if (added.data) option = added.data;
    else problem.value = added.error ?? null;
  }
  own.value = "";
  uses.value.push({
    id: option.id,
    name: option.name,
    values: option.values.map((value) => ({ id: value.id, name: value.name, on: true })),
  });
}
function move(from: number, to: number): void {
  const [use] = uses.value.splice(from, 1);
  if (use) uses.value.splice(to, 0, use);
}
async function keep(): Promise<void> {
  const body = uses.value.map((use) => ({
    option: use.id,
    values: use.values.filter((value) => value.on).map((value) => value.id),
  }));
  if (await props.control.use(body)) open.value = false;
}
/** A list that only begins something shows nothing as picked. */
const nothing: number | null = null;
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="say('uses-dialog-options-values', { name: control.view.value?.name })"
    :label="say('uses-dialog-options-values-b')"
    :width="620"
    :act="say('uses-dialog-save')"
    :ready="ready && !empty"
    @submit.prevent="keep"
  >
    <p class="soft">
      {{ say("uses-dialog-shoppers-choose-order-new") }}
    </p>
    <ProblemNote
      :problem="problem ?? control.problem.value"
      :overtaken="control.overtaken.value"
      v-on="ready ? {} : { retry: read }"
    />
    <fieldset v-for="(use, index) in uses" :key="use.id">
      <legend>
        {{ use.name }}
        <button
          v-if="index > 0"
          type="button"
          class="tool"
          :aria-label="say('uses-dialog-earlier', { name: use.name })"
          @click="move(index, index - 1)"
        >
          <v-icon :icon="mdiArrowUp" size="14" />
        </button>
        <button
          v-if="index < uses.length - 1"
          type="button"
          class="tool"
          :aria-label="say('uses-dialog-later', { name: use.name })"
          @click="move(index, index + 1)"
        >
          <v-icon :icon="mdiArrowDown" size="14" />
        </button>
        <button
          type="button"
          class="tool"
          :aria-label="say('uses-dialog-without', { name: use.name })"
          :title="say('uses-dialog-remove')"
          @click="uses.splice(index, 1)"
        >
          <v-icon :icon="mdiClose" size="14" />
        </button>
      </legend>
      <button
        v-for="value in use.values"
        :key="value.id"
        type="button"
        class="pill"
        :aria-pressed="value.on"
        @click="value.on = !value.on"
      >
        {{ value.name }}
      </button>
      <span v-if="use.values.length === 0" class="soft">{{ say("uses-dialog-has-no-values-yet") }}</span>
    </fieldset>
    <p v-if="ready && uses.length === 0" class="soft">{{ say("uses-dialog-nothing-chosen-there-one") }}</p>
    <div class="another">
      <PickField :model-value="nothing" :aria-label="say('uses-dialog-another-option')" @update:model-value="add">
        <option :value="null">{{ say("uses-dialog-another-option-b") }}</option>
        <option v-for="line in others" :key="line.id" :value="line.id">{{ line.name }}</option>
      </PickField>
      <TextInput
        v-model="own"
        class="own"
        :aria-label="say('uses-dialog-option-product-only-values')"
        :placeholder="say('uses-dialog-only-here-engraving-none')"
        @keydown.enter.prevent="addOwn"
      />
      <button v-if="own.trim()" type="button" class="quiet" @click="addOwn">{{ say("uses-dialog-add") }}</button>
    </div>
  </DialogSheet>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  display: flex;
  gap: 2px;
  align-items: center;
  padding: 0;
  font-weight: 600;
}
.own {
  width: 230px;
}
.own::placeholder {
  color: var(--soft);
}
.another {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
