<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { type ApiError, api, ask } from "../../api/client";
import { asSeen } from "../../session/useSteps";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import type { BookOption, OptionUser } from "./useBook";
import TextInput from "../../ui/fields/TextInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** Gives some products an option of their own, so that it can look different there. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ option: BookOption }>();
const emit = defineEmits<{ split: [handle: string] }>();
const users = ref<OptionUser[]>([]);
const chosen = ref<string[]>([]);
const name = ref("");
const problem = ref<ApiError | null>(null);
const path = () => ({ path: { handle: props.option.handle } });
watch(open, async (now) => {
  if (!now) return;
  [chosen.value, name.value] = [[], ""];
  const { data, error } = await ask(api.GET("/api/options/{handle}/products", { params: path() }));
  [users.value, problem.value] = [data ?? [], error ?? null];
});
const ready = computed(() => name.value.trim() !== "" && chosen.value.length > 0);
async function split(): Promise<void> {
  const body = { name: name.value, products: chosen.value };
  const { data, error } = await ask(
    api.POST("/api/options/{handle}/split", { params: path(), body, ...asSeen(props.option.seen) }),
  );
  problem.value = error ?? null;
  if (!data) return;
  open.value = false;
  emit("split", data.handle);
}
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="say('split-dialog-split', { name: option.name })"
    :label="say('split-dialog-split-option')"
    :width="520"
    :act="say('split-dialog-split-b')"
    :ready="ready"
    @submit.prevent="split"
  >
    <p class="soft">
      {{ say("split-dialog-these-products-get-option") }}
    </p>
    <label class="name">
      <span class="soft">{{ say("split-dialog-called") }}</span>
      <TextInput
        v-model="name"
        maxlength="80"
        :placeholder="say('split-dialog-of', { name: option.name })"
        :aria-label="say('split-dialog-name-new-option')"
      />
    </label>
    <fieldset>
      <legend class="unseen">{{ say("split-dialog-products-get") }}</legend>
      <label v-for="user in users" :key="user.product">
        <TickBox v-model="chosen" :value="user.product" /> {{ user.name }}
        <span class="soft">{{ say("split-dialog-values", { count: user.values.length }) }}</span>
      </label>
    </fieldset>
    <ProblemNote :problem="problem" />
  </DialogSheet>
</template>

<style scoped>
.name {
  display: flex;
  gap: 10px;
  align-items: center;
}
.name input {
  flex: 1;
}
fieldset {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 2px 0;
  border: 0;
}
fieldset label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 26px;
}
input[type="checkbox"] {
  width: 18px;
}
</style>
