<script setup lang="ts">
import { computed, ref, watch } from "vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import type { VariantsControl } from "./useVariants";
import TickBox from "../../ui/fields/TickBox.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** Combinations that have no variant yet: of all values, of some, or for any. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ control: VariantsControl }>();
const options = computed(() => props.control.view.value?.options ?? []);
const values = ref(new Set<number>());
const any = ref(new Set<number>());
watch(open, (now) => {
  if (!now) return;
  values.value = new Set(options.value.flatMap((option) => option.values.map((v) => v.id)));
  any.value = new Set();
});
const count = computed(() =>
  options.value.reduce((product, option) => {
    const taken = option.values.filter((value) => values.value.has(value.id)).length;
    return product * (any.value.has(option.id) ? 1 : taken);
  }, 1),
);
function flip(set: Set<number>, id: number): Set<number> {
  const next = new Set(set);
  if (!next.delete(id)) next.add(id);
  return next;
}
async function make(): Promise<void> {
  if (await props.control.make({ values: [...values.value], any: [...any.value] })) open.value = false;
}
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="say('make-dialog-make-combinations')"
    :width="560"
    :act="say('make-dialog-make-those-missing')"
    :ready="count > 0"
    @submit.prevent="make"
  >
    <p class="soft">
      {{ say("make-dialog-variant-made-each-combination") }}
    </p>
    <ProblemNote :problem="control.problem.value" :overtaken="control.overtaken.value" />
    <fieldset v-for="option in options" :key="option.id">
      <legend>{{ option.name }}</legend>
      <button
        v-for="value in option.values"
        :key="value.id"
        type="button"
        class="pill"
        :disabled="any.has(option.id)"
        :aria-pressed="values.has(value.id) && !any.has(option.id)"
        @click="values = flip(values, value.id)"
      >
        {{ value.name }}
      </button>
      <label class="tick any"
        ><TickBox :model-value="any.has(option.id)" @update:model-value="any = flip(any, option.id)" />
        {{ say("make-dialog-any") }}</label
      >
    </fieldset>
    <template #first>
      <span class="soft">{{ say("make-dialog-combinations", { count }) }}</span>
    </template>
  </DialogSheet>
</template>

<style scoped src="../../ui/form.css"></style>
<style scoped>
legend {
  font-weight: 600;
}
.any {
  margin-left: 6px;
}
</style>
