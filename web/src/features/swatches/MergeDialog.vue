<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import { asSeen } from "../../session/useSteps";
import ProblemNote from "../../ui/ProblemNote.vue";
import { named } from "./words";
import type { BookOption, OptionLine } from "./useBook";
import PickField from "../../ui/fields/PickField.vue";
import DialogSheet from "../../ui/DialogSheet.vue";

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
    :title="`Merge ${option.name} into another option`"
    label="Merge options"
    :width="520"
    :act="plan ? `Merge into ${target}` : 'Merge'"
    :ready="plan !== null"
    @submit.prevent="merge"
  >
    <p class="soft">
      For two options that were meant to be one. Values of the same name become one; products, variants, pictures and
      swatches go along.
    </p>
    <label>
      <span class="soft">Into</span>
      <PickField v-model="into" aria-label="Option that stays">
        <option value="">Choose …</option>
        <option v-for="line in others" :key="line.handle" :value="line.handle">{{ line.name }}</option>
      </PickField>
    </label>
    <ProblemNote :problem="problem" />
    <dl v-if="plan">
      <dt>Become one</dt>
      <dd>{{ plan.same.join(", ") || "none: no value has the name of another" }}</dd>
      <dt>Come over</dt>
      <dd>{{ plan.over.join(", ") || "none" }}</dd>
      <dt>Change</dt>
      <dd>{{ plan.products.length ? named(plan.products) : "no product uses it" }}</dd>
    </dl>
    <p v-if="plan" class="soft">
      Then {{ option.name }} is gone. Links with a choice of {{ option.name }} in their address open the page without
      it. Undo makes them two again.
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
