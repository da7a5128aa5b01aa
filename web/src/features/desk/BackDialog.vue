<script setup lang="ts">
import { computed, onMounted } from "vue";
import { useRouter } from "vue-router";
import type { Schemas } from "../../api/client";
import ShiftDialog from "../templates/ShiftDialog.vue";
import { type Moving, useTemplates } from "../templates/useTemplates";

/** A page of its own goes, and the template that reaches its product serves it again. */
const props = defineProps<{ template: { id: number; name: string }; product: Schemas["OwnOf"] }>();
defineEmits<{ close: [] }>();
const router = useRouter();
const { view, names, loading, load, shift } = useTemplates();
onMounted(load);
const moving = computed<{ title: string; moving: Moving }>(() => ({
  title: `${props.product.name} back to its template`,
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
    act="Back to the template"
    @close="$emit('close')"
    @done="leave"
  >
    <p class="soft">
      <template v-if="to">{{ product.name }} has its page from “{{ to }}”. </template>
      “{{ template.name }}” is removed; it can be brought back where the templates stand.
    </p>
  </ShiftDialog>
</template>
