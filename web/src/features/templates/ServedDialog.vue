<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, watch } from "vue";
import { api, ask } from "../../api/client";
import SearchField from "../../ui/fields/SearchField.vue";
import { useComesInSight } from "../../ui/useComesInSight";
import type { Moving, Served, TemplatesView } from "./useTemplates";
import PickField from "../../ui/fields/PickField.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** The products of one type, each with the template that serves it and why; each can be moved to another. */
const props = defineProps<{ kind: { handle: string; name: string }; view: TemplatesView }>();
const emit = defineEmits<{ close: []; move: [title: string, moving: Moving] }>();
const products = ref<Served[]>([]);
const count = ref(0);
const problem = ref("");
const loaded = ref(false);

const typed = ref("");
const end = ref<HTMLElement | null>(null);
let turn = 0;
/** Reads the first ones, or those after a number of them. */
async function load(skip: number): Promise<boolean> {
  const mine = ++turn;
  const query = { type: props.kind.handle, find: typed.value, skip };
  const { data, error } = await ask(api.GET("/api/templates/served", { params: { query } }));
  if (mine !== turn) return false;
  problem.value = error?.message ?? "";
  if (data) products.value = skip === 0 ? data.products : [...products.value, ...data.products];
  count.value = data?.count ?? count.value;
  loaded.value = true;
  return (data?.products.length ?? 0) > 0;
}
const more = (): Promise<boolean> =>
  products.value.length < count.value ? load(products.value.length) : Promise.resolve(false);
const scroll = useComesInSight(end, more);
watch([() => props.view, typed], async () => {
  await load(0);
  scroll.again();
});
onMounted(async () => {
  await load(0);
  scroll.begin();
});
onBeforeUnmount(scroll.end);

const nameOf = (id: number): string => props.view.templates.find((one) => one.id === id)?.name ?? "";
function moveAll(to: number): void {
  emit("move", `${props.kind.name} to “${nameOf(to)}”`, { what: "type", kind: props.kind.handle, to });
}
function move(product: Served, to: number): void {
  emit("move", `${product.name} to “${nameOf(to)}”`, { what: "product", product: product.handle, to });
}
/** A list that only begins something shows nothing as picked. */
const nothing: number | null = null;
</script>

<template>
  <DialogSheet
    :title="kind.name"
    :label="say('served-dialog-products', { name: kind.name })"
    :width="760"
    :leave="say('served-dialog-close')"
    @close="emit('close')"
  >
    <template #beside>
      <PickField
        :model-value="nothing"
        :aria-label="say('served-dialog-move-whole-type')"
        @update:model-value="$event !== null && moveAll($event)"
      >
        <option :value="null">{{ say("served-dialog-move-whole-type-b") }}</option>
        <option v-for="one in view.templates.filter((t) => t.live)" :key="one.id" :value="one.id">
          {{ one.name }}
        </option>
      </PickField>
    </template>
    <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
    <SearchField
      v-if="typed || count > 8"
      v-model="typed"
      :label="say('served-dialog-find-among', { name: kind.name })"
    />
    <p v-if="loaded && count === 0" class="soft">
      {{ typed ? say("served-dialog-none-called-like") : say("served-dialog-there-no-products-type") }}
    </p>
    <ul v-show="products.length">
      <li v-for="product in products" :key="product.handle">
        <router-link :to="{ name: 'desk', params: { id: product.template }, query: { product: product.handle } }">
          {{ product.name }}
        </router-link>
        <PickField
          :model-value="product.template"
          :aria-label="say('served-dialog-template', { name: product.name })"
          @update:model-value="move(product, $event)"
        >
          <option v-for="one in view.templates.filter((t) => t.live)" :key="one.id" :value="one.id">
            {{ one.name }}
          </option>
        </PickField>
        <span :class="product.tied.length ? 'signal' : 'soft'">{{
          say("served-dialog-because", { why: product.why })
        }}</span>
      </li>
      <li ref="end" class="end" aria-hidden="true" />
    </ul>
  </DialogSheet>
</template>

<style scoped>
ul {
  max-height: 56dvh;
  margin: 0;
  overflow-y: auto;
  padding: 0;
  border: 1px solid var(--line);
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 170px minmax(0, 1.2fr);
  gap: 12px;
  align-items: center;
  padding: 5px 10px;
  border-top: 1px solid var(--line);
  background: var(--field);
}
li:first-child {
  border-top: 0;
}
.end {
  height: 1px;
  padding: 0;
  border: 0;
}
li > span {
  font-size: 12px;
}
</style>
