<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import { asSeen } from "../../session/useSteps";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import { named } from "./words";
import type { BookOption, OptionLine } from "./useBook";
import PickField from "../../ui/fields/PickField.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** Makes one option of two that were meant to be one. What that comes to is told first. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ option: BookOption }>();
const emit = defineEmits<{ merged: [handle: string] }>();
const lines = ref<OptionLine[]>([]);
const into = ref("");
const plan = ref<Schemas["MergePlan"] | null>(null);
const problem = ref<ApiError | null>(null);
const others = computed(() => lines.value.filter((line) => line.handle !== props.option.handle && !line.of_product));
const target = computed(() => others.value.find((line) => line.handle === into.value)?.name ?? "");

watch(open, async (now) => {
  if (!now) return;
  [into.value, plan.value, problem.value] = ["", null, null];
  const { data, error } = await ask(api.GET("/api/options"));
  [lines.value, problem.value] = [data ?? [], error ?? null];
});
const path = () => ({ path: { handle: props.option.handle } });
watch(into, async (wanted) => {
  plan.value = null;
  problem.value = null;
  if (wanted === "") return;
  const answer = await ask(api.GET("/api/options/{handle}/merge", { params: { ...path(), query: { into: wanted } } }));
  if (wanted !== into.value) return;
  [plan.value, problem.value] = [answer.data ?? null, answer.error ?? null];
});
async function merge(): Promise<void> {
  const body = { into: into.value };
  const { data, error } = await ask(
    api.POST("/api/options/{handle}/merge", { params: path(), body, ...asSeen(props.option.seen) }),
  );
  problem.value = error ?? null;
  if (!data) return;
  open.value = false;
  emit("merged", data.handle);
}
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="say('merge-dialog-merge-into-another-option', { name: option.name })"
    :label="say('merge-dialog-merge-options')"
    :width="520"
    :act="plan ? say('merge-dialog-merge-into', { target }) : say('merge-dialog-merge')"
    :ready="plan !== null"
    @submit.prevent="merge"
  >
    <p class="soft">
      {{ say("merge-dialog-two-options-were-meant") }}
    </p>
    <label>
      <span class="soft">{{ say("merge-dialog-into") }}</span>
      <PickField v-model="into" :aria-label="say('merge-dialog-option-stays')">
        <option value="">{{ say("merge-dialog-choose") }}</option>
        <option v-for="line in others" :key="line.handle" :value="line.handle">{{ line.name }}</option>
      </PickField>
    </label>
    <ProblemNote :problem="problem" />
    <dl v-if="plan">
      <dt>{{ say("merge-dialog-become-one") }}</dt>
      <dd>{{ plan.same.join(", ") || say("merge-dialog-none-no-value-has") }}</dd>
      <dt>{{ say("merge-dialog-come-over") }}</dt>
      <dd>{{ plan.over.join(", ") || say("merge-dialog-none") }}</dd>
      <dt>{{ say("merge-dialog-change") }}</dt>
      <dd>{{ plan.products.length ? named(plan.products) : say("merge-dialog-no-product-uses") }}</dd>
    </dl>
    <p v-if="plan" class="soft">
      {{ say("merge-dialog-then-gone-links-choice", { name: option.name }) }}
    </p>
  </DialogSheet>
</template>

<style scoped>
dl,
dd {
  margin: 0;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 14px;
}
dt {
  font-weight: 600;
}
label {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
