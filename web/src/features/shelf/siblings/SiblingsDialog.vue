<script setup lang="ts">
import { mdiDragVertical, mdiPlus } from "@mdi/js";
import { ref } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import DialogSheet from "../../../ui/DialogSheet.vue";
import TextInput from "../../../ui/fields/TextInput.vue";
import TickBox from "../../../ui/fields/TickBox.vue";
import SheetMenu from "../../../ui/menu/SheetMenu.vue";
import ProblemNote from "../../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../../ui/notes/ProgressLine.vue";
import ProductList from "../../../ui/products/ProductList.vue";
import { anyProduct } from "../../../ui/products/anyProduct";
import RowTools from "../../../ui/RowTools.vue";
import { say } from "../../../words";
import SiblingSwatch from "./SiblingSwatch.vue";
import { type SeenSet, useSiblings } from "./useSiblings";

/** Products that belong together: what they are called among one another, and what they show. */
const props = defineProps<{ products?: string[]; of?: SeenSet }>();
const emit = defineEmits<{ close: []; changed: [] }>();
const control = useSiblings(props.products ?? [], props.of ?? null, () => {
  emit("changed");
  emit("close");
});
const { name, oneCard, members, problem, overtaken, loading, ready } = control;
const adding = ref(false);
</script>

<template>
  <DialogSheet
    :title="of ? say('siblings-dialog-siblings') : say('siblings-dialog-make-siblings')"
    :width="640"
    :act="of ? say('siblings-dialog-keep-them-so') : say('siblings-dialog-join-products', { count: members.length })"
    :ready="ready"
    @submit.prevent="control.keep()"
    @close="emit('close')"
  >
    <p class="soft">{{ say("siblings-dialog-sold-apart-shown-as") }}</p>
    <ProgressLine v-if="loading" />
    <ProblemNote :problem="problem" :overtaken="overtaken" @retry="control.load" />
    <label>
      <span class="soft">{{ say("siblings-dialog-what-they-differ") }}</span>
      <TextInput v-model="name" maxlength="60" required />
    </label>
    <VueDraggable v-model="members" tag="ol" handle=".grip" :animation="120">
      <li v-for="(one, at) in members" :key="one.product">
        <v-icon class="grip" :icon="mdiDragVertical" size="18" aria-hidden="true" />
        <SiblingSwatch :control="control" :member="one" />
        <TextInput
          v-model="one.label"
          maxlength="60"
          :aria-label="say('siblings-dialog-label', { name: one.name })"
          @change="control.show"
        />
        <span class="product">
          {{ one.name }}
          <b v-if="one.says" class="signal">{{ one.says }}</b>
        </span>
        <RowTools :name="one.name" :first="at === 0" @up="control.up(at)" @remove="control.remove(at)" />
      </li>
    </VueDraggable>
    <SheetMenu v-model="adding">
      <template #button="{ menu }">
        <button v-bind="menu" type="button" class="quiet add">
          <v-icon :icon="mdiPlus" size="14" /> {{ say("siblings-dialog-another-product") }}
        </button>
      </template>
      <ProductList
        :load="anyProduct"
        :picked="members.map((one) => one.product)"
        :label="say('siblings-dialog-another-product')"
        @pick="
          adding = false;
          control.add($event.handle);
        "
      />
    </SheetMenu>
    <label class="tick">
      <TickBox v-model="oneCard" />
      <span>{{ say("siblings-dialog-one-card") }}</span>
    </label>
    <template #first>
      <v-btn v-if="of" variant="text" @click="control.part()">{{ say("siblings-dialog-part-them") }}</v-btn>
    </template>
  </DialogSheet>
</template>

<style scoped src="../../../ui/form.css"></style>
<style scoped>
ol {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 18px 34px minmax(120px, 1fr) minmax(120px, 1.2fr) 24px 24px;
  gap: 8px;
  align-items: center;
}
.grip {
  color: var(--soft);
  cursor: grab;
}
.product {
  overflow: hidden;
  font-size: 13px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.add {
  justify-self: start;
}
@media (max-width: 560px) {
  li {
    grid-template-columns: 18px 34px 1fr 24px 24px;
  }
  .product {
    grid-column: 3 / -1;
    grid-row: 2;
  }
}
</style>
