<script setup lang="ts">
import { useRouter } from "vue-router";
import { type ApiError, api, ask } from "../../api/client";
import NameDialog from "../../ui/NameDialog.vue";
import { say } from "../../words";

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
    :title="`${first ? say('new-product-dialog-first') : say('new-product-dialog-new-one')} ${kind.name}`"
    :act="say('new-product-dialog-add')"
    :make="add"
    @close="$emit('close')"
  >
    {{
      say("new-product-dialog-begins-types-options-variant", {
        first: first ? say("new-product-dialog-takes-place-sample") : "",
      })
    }}
  </NameDialog>
</template>
