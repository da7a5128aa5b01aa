<script setup lang="ts">
import { computed, ref, watch } from "vue";
import ProductsPick from "../../../../ui/products/ProductsPick.vue";
import { anyProduct } from "../../../../ui/products/anyProduct";
import { say } from "../../../../words";

/** Products, chosen in an order. */
const props = defineProps<{ modelValue: string[]; count: number; label: string }>();
const emit = defineEmits<{ "update:modelValue": [handles: string[]] }>();
const named = ref<{ handle: string; name: string }[]>([]);
/** Their names, of those that aren't known yet. */
watch(
  () => props.modelValue,
  async (handles) => {
    for (const handle of handles.filter((one) => named.value.every((known) => known.handle !== one))) {
      const { data } = await anyProduct(handle, 0);
      const found = data?.products.find((one) => one.handle === handle);
      named.value.push({ handle, name: found?.name ?? say("products-field-no-longer-there", { handle }) });
    }
  },
  { immediate: true },
);
const handles = computed({
  get: () => props.modelValue,
  set: (all) => emit("update:modelValue", all.slice(0, props.count)),
});
</script>

<template>
  <ProductsPick v-model="handles" :label="label" :named="named" :none="say('products-field-none-yet')" />
</template>
