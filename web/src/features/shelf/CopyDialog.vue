<script setup lang="ts">
import { useRouter } from "vue-router";
import { type ApiError, api, ask } from "../../api/client";
import NameDialog from "../../ui/NameDialog.vue";

/** Another product that begins as a copy of this one. */
const props = defineProps<{ product: { handle: string; name: string } }>();
defineEmits<{ close: [] }>();
const router = useRouter();

async function copy(name: string): Promise<ApiError | undefined> {
  const params = { path: { handle: props.product.handle } };
  const { data, error } = await ask(api.POST("/api/products/{handle}/copy", { params, body: { name } }));
  if (data) await router.push({ name: "variants", params: { handle: data.handle } });
  return error;
}
</script>

<template>
  <NameDialog
    :title="`A copy of ${product.name}`"
    act="Copy it"
    :proposed="`${product.name} copy`"
    :make="copy"
    @close="$emit('close')"
  >
    It begins with the same texts, pictures, options and prices, with none in stock and SKUs of its own. Shoppers don’t
    see it until you put it on sale.
  </NameDialog>
</template>
