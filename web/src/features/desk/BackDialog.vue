<script setup lang="ts">
import { computed, onMounted } from "vue";
import { useRouter } from "vue-router";
import type { Schemas } from "../../api/client";
import ShiftDialog from "../templates/ShiftDialog.vue";
import { type Moving, useTemplates } from "../templates/useTemplates";
import { say } from "../../words";

/** A page of its own goes, and the template that reaches its product serves it again. */
const props = defineProps<{ template: { id: number; name: string }; product: Schemas["OwnOf"] }>();
defineEmits<{ close: [] }>();
const router = useRouter();
const { view, names, loading, load, shift } = useTemplates(() => "page");
onMounted(load);
const moving = computed<{ title: string; moving: Moving }>(() => ({
  title: say("back-dialog-back-template", { name: props.product.name }),
  moving: { what: "away", template: props.template.id },
}));
const to = computed(() => names.value.get(props.product.back_to ?? 0));
function leave(): Promise<unknown> {
  const { handle, back_to: id } = props.product;
  return router.push(id ? { name: "desk", params: { id }, query: { product: handle } } : { name: "templates" });
}
</script>

<template>
  <ShiftDialog
    v-if="!loading"
    :moving="moving"
    :view="view"
    :shift="shift"
    :act="say('back-dialog-back-template-b')"
    @close="$emit('close')"
    @done="leave"
  >
    <p class="soft">
      <template v-if="to">{{ say("back-dialog-has-page-from", { name: product.name, to }) }} </template>
      {{ say("back-dialog-removed-can-brought-back", { name: template.name }) }}
    </p>
  </ShiftDialog>
</template>
