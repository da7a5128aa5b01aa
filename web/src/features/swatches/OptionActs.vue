<script setup lang="ts">
import { ref } from "vue";
import TakeAway from "../../ui/TakeAway.vue";
import ActsMenu from "../../ui/menu/ActsMenu.vue";
import MergeDialog from "./MergeDialog.vue";
import SplitDialog from "./SplitDialog.vue";
import type { BookOption } from "./useBook";
import { say } from "../../words";

/** What is seldom done with an option: making one of two, and two of one, and taking it away. */
const props = defineProps<{ option: BookOption; remove: () => Promise<boolean> }>();
const emit = defineEmits<{ taken: [handle: string] }>();
const removing = ref(false);
async function takeAway(): Promise<void> {
  removing.value = false;
  if (await props.remove()) emit("taken", "");
}
const merging = ref(false);
const splitting = ref(false);
</script>

<template>
  <ActsMenu :label="say('option-acts-more-about-option')">
    <v-list-item :title="say('option-acts-merge-into-another-option')" @click="merging = true" />
    <v-list-item
      :title="say('option-acts-split-off-some-products')"
      :disabled="option.products < 2"
      @click="splitting = true"
    />
    <v-list-item :title="say('option-acts-remove')" @click="removing = true" />
  </ActsMenu>
  <TakeAway v-model="removing" :what="option.name" @taken="takeAway">
    <li v-if="option.products">
      {{ say("option-acts-products-no-longer-chosen", { products: option.products }) }}
    </li>
    <li v-if="option.values.length">
      {{ say("option-acts-values-their-swatches-go", { count: option.values.length }) }}
    </li>
  </TakeAway>
  <MergeDialog v-model="merging" :option="option" @merged="(handle) => $emit('taken', handle)" />
  <SplitDialog v-model="splitting" :option="option" @split="(handle) => $emit('taken', handle)" />
</template>
