<script setup lang="ts">
import { useRouter } from "vue-router";
import { type ApiError, api, ask } from "../../api/client";
import NameDialog from "../../ui/NameDialog.vue";

/** A product of a type, which begins with what the type has. */
const props = defineProps<{ kind: { handle: string; name: string }; first: boolean }>();
defineEmits<{ close: [] }>();
const router = useRouter();

async function add(name: string): Promise<ApiError | undefined> {
  const { data, error } = await ask(api.POST("/api/products", { body: { kind: props.kind.handle, name } }));
  if (data) await router.push({ name: "variants", params: { handle: data.handle } });
  return error;
}
</script>

<template>
  <NameDialog
    :title="`${first ? 'The first of' : 'A new one of'} ${kind.name}`"
    act="Add it"
    :make="add"
    @close="$emit('close')"
  >
    It begins with the type’s options, a variant for each choice, price and terms.
    {{ first ? "It takes the place of the sample." : "" }} Shoppers don’t see it until you put it on sale.
  </NameDialog>
</template>
