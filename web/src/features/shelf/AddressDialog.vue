<script setup lang="ts">
import { ref, shallowRef } from "vue";
import { type Answer, type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** Where a product's page stands in the shop, and from where it is led on to. */
const props = defineProps<{ product: { handle: string; name: string } }>();
const emit = defineEmits<{ close: []; changed: [] }>();
type Address = Schemas["AddressView"];
const at = "/api/products/{handle}/address" as const;
const path = { handle: props.product.handle };
const view = shallowRef<Address | null>(null);
const problem = ref<ApiError | null>(null);
const typed = ref("");

async function take(call: Promise<Answer<Address>>): Promise<boolean> {
  const { data, error } = await call;
  problem.value = error ?? null;
  if (!data) return false;
  // What was typed meanwhile stays.
  if (typed.value === (view.value?.address ?? "")) typed.value = data.address;
  view.value = data;
  return true;
}
/** Until it is read there is nothing to change: it would come into the field between two letters. */
async function load(): Promise<void> {
  await take(ask(api.GET(at, { params: { path } })));
}
void load();
async function move(): Promise<void> {
  if (!(await take(ask(api.PUT(at, { params: { path }, body: { address: typed.value } }))))) return;
  emit("changed");
  emit("close");
}
async function letGo(address: string): Promise<void> {
  const params = { path: { ...path, address } };
  if (await take(ask(api.DELETE(`${at}/{address}`, { params })))) emit("changed");
}
</script>

<template>
  <DialogSheet
    :title="say('address-dialog-another-address', { name: product.name })"
    :width="520"
    :act="say('address-dialog-move-page')"
    :ready="view !== null && typed.trim() !== '' && typed.trim() !== view.address"
    @submit.prevent="move"
    @close="emit('close')"
  >
    <p class="soft">{{ say("address-dialog-links-where-page-stands") }}</p>
    <ProblemNote :problem="problem" v-on="view ? {} : { retry: load }" />
    <label>
      <span class="soft">{{ say("address-dialog-shop-products") }}</span>
      <TextInput
        v-model="typed"
        :disabled="view === null"
        :aria-label="say('address-dialog-address')"
        maxlength="80"
        spellcheck="false"
        required
      />
    </label>
    <div v-if="view?.was_at.length">
      <p class="soft">{{ say("address-dialog-these-lead-too") }}</p>
      <ul>
        <li v-for="old in view.was_at" :key="old">
          <span>{{ old }}</span>
          <button type="button" class="quiet" :aria-label="say('address-dialog-let-go', { old })" @click="letGo(old)">
            {{ say("address-dialog-let-go-b") }}
          </button>
        </li>
      </ul>
    </div>
  </DialogSheet>
</template>

<style scoped src="../../ui/form.css"></style>
<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}
li span {
  overflow-wrap: anywhere;
}
</style>
