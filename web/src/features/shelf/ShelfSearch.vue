<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from "vue";
import PickField from "../../ui/fields/PickField.vue";
import SearchField from "../../ui/fields/SearchField.vue";
import { isHeard, useKeyList } from "../../ui/keys/keys";
import { isTyping } from "../../ui/useUndoKeys";
import type { FoundControl, ShelfOrder, Standing } from "./useFound";
import { LOCALE, say } from "../../words";

/** Looks for products by name, type, template and how they stand; each list tells how many there would be. */
const props = defineProps<{ control: FoundControl }>();
const { wish, found, asked, wishFor, everything } = props.control;
const ORDERS: { value: ShelfOrder; says: string }[] = [
  { value: "placed", says: say("shelf-search-they-stand") },
  { value: "name", says: say("shelf-search-name") },
  { value: "cheapest", says: say("shelf-search-cheapest-first") },
  { value: "dearest", says: say("shelf-search-dearest-first") },
];
const field = ref<InstanceType<typeof SearchField> | null>(null);
useKeyList(say("shelf-search-keys-shelf"), [["/", say("shelf-search-find-product")]]);
function onKey(event: KeyboardEvent): void {
  if (event.key !== "/" || event.ctrlKey || event.metaKey || event.altKey || isTyping(event) || !isHeard(event)) return;
  event.preventDefault();
  field.value?.focus();
}
onMounted(() => addEventListener("keydown", onKey));
onBeforeUnmount(() => removeEventListener("keydown", onKey));

const typed = computed({ get: () => wish.value.find, set: (find) => wishFor({ find }) });
const type = computed({ get: () => wish.value.type, set: (to) => wishFor({ type: to }) });
const template = computed({ get: () => wish.value.template, set: (to) => wishFor({ template: to }) });
const standing = computed({ get: () => wish.value.standing, set: (to) => wishFor({ standing: to }) });
const order = computed({ get: () => wish.value.order, set: (to) => wishFor({ order: to }) });

/** All of them, then each with its number; what is wished for stays in the list where there is none of it. */
function choices<T>(all: string, some: { value: T; name: string; count: number }[], now: T | null) {
  const list = some.map(({ value, name, count }) => ({ value, says: `${name} (${count})` }));
  const gone =
    now !== null && !list.some((one) => one.value === now) ? [{ value: now, says: `${String(now)} (0)` }] : [];
  return [{ value: null, says: all }, ...list, ...gone] as { value: T | null; says: string }[];
}
const types = computed(() =>
  choices(
    say("shelf-search-all-types"),
    (found.value?.types ?? []).map(({ handle, name, count }) => ({ value: handle, name, count })),
    wish.value.type,
  ),
);
const templates = computed(() =>
  choices(
    say("shelf-search-any-template"),
    (found.value?.templates ?? []).map(({ id, name, count }) => ({ value: id, name, count })),
    wish.value.template,
  ),
);
const standings = computed(() =>
  choices<Standing>(
    say("shelf-search-sale-not"),
    (found.value?.standings ?? []).map(({ standing: value, says: name, count }) => ({ value, name, count })),
    wish.value.standing,
  ),
);
const says = computed(() => {
  const count = found.value?.count;
  if (count === undefined) return "";
  if (count === 0) return say("shelf-search-no-product-fits");
  const number = count.toLocaleString(LOCALE);
  return say("shelf-search-products", { count, number });
});
</script>

<template>
  <div class="looked" role="search">
    <SearchField ref="field" v-model="typed" class="find" :label="say('shelf-search-find-product-b')" />
    <PickField v-model="type" :aria-label="say('shelf-search-type')" :options="types" />
    <PickField v-model="template" :aria-label="say('shelf-search-template')" :options="templates" />
    <PickField v-model="standing" :aria-label="say('shelf-search-how-stands')" :options="standings" />
    <PickField v-model="order" :aria-label="say('shelf-search-order')" :options="ORDERS" />
    <span class="soft" role="status" data-test="count">{{ says }}</span>
    <button v-if="asked" class="quiet" @click="everything">{{ say("shelf-search-show-whole-shelf") }}</button>
  </div>
</template>

<style scoped>
.looked {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.looked :deep(.find) {
  width: 250px;
}
.looked :deep(select) {
  max-width: 190px;
}
</style>
