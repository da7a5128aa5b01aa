<script setup lang="ts">
import { useRouter } from "vue-router";
import { type ApiError, api, ask } from "../../api/client";
import NameDialog from "../../ui/NameDialog.vue";
import { say } from "../../words";

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
    :title="say('copy-dialog-copy', { name: product.name })"
    :act="say('copy-dialog-copy-b')"
    :proposed="say('copy-dialog-copy-c', { name: product.name })"
    :make="copy"
    @close="$emit('close')"
  >
    {{ say("copy-dialog-begins-same-texts-pictures") }}
  </NameDialog>
</template>
