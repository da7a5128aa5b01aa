<script setup lang="ts">
import { computed, onMounted, ref, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import type { Fields } from "./useTypes";
import MoneyInput from "../../ui/fields/MoneyInput.vue";
import NumberInput from "../../ui/fields/NumberInput.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import TickBox from "../../ui/fields/TickBox.vue";
import ChipsField from "../../ui/fields/ChipsField.vue";
import { say } from "../../words";

/** What the products of a type have; the sample that stands in for them is made of it. */
const fields = defineModel<Fields>({ required: true });
const props = defineProps<{ currency: string; decimals: number; knownTags: string[] }>();
const options = ref<Schemas["OptionLine"][]>([]);
const problem = ref<ApiError | null>(null);
onMounted(async () => {
  const { data, error } = await ask(api.GET("/api/options"));
  problem.value = error ?? null;
  options.value = (data ?? []).filter((option) => !option.of_product);
});

function set(change: Partial<Fields>): void {
  fields.value = { ...fields.value, ...change };
}
const list = (key: "details" | "facts" | "tags") =>
  computed({
    get: () => fields.value[key] ?? [],
    set: (all: string[]) => set({ [key]: [...new Set(all.map((one) => one.trim()).filter(Boolean))] }),
  });
const [details, facts, tags] = [list("details"), list("facts"), list("tags")];
const chosen = computed(() => fields.value.options ?? []);
function toggle(handle: string): void {
  const without = chosen.value.filter((one) => one !== handle);
  set({ options: without.length < chosen.value.length ? without : [...without, handle] });
}
const pence = computed(() => 10 ** props.decimals);
const minor = (typed: string): number => Math.round(Number(typed.replace(",", ".")) * pence.value) || 0;
const says = (sum: number): string => (sum / pence.value).toFixed(props.decimals);
const price = ref(says(fields.value.price_minor ?? 0));
// What is being typed isn't written over by itself, nor what was emptied to be typed anew.
watch(
  () => fields.value.price_minor ?? 0,
  (now) => minor(price.value) !== now && (price.value = says(now)),
);
watch(price, (typed) => minor(typed) !== fields.value.price_minor && set({ price_minor: minor(typed) }));
const most = computed({
  get: () => fields.value.most_per_order ?? null,
  set: (count) => set({ most_per_order: count }),
});
const text = computed({
  get: () => fields.value.text?.label ?? "",
  set: (label: string) => {
    const plain = { lines: 1, most: 20, signs: "any" as const, surcharge: 0, needed: false };
    set({ text: label.trim() ? { ...(fields.value.text ?? plain), label } : null });
  },
});
</script>

<template>
  <div class="fields">
    <ProblemNote :problem="problem" />
    <fieldset>
      <legend class="soft">{{ say("fields-form-shoppers-choose") }}</legend>
      <button
        v-for="option in options"
        :key="option.handle"
        type="button"
        class="pill"
        :aria-pressed="chosen.includes(option.handle)"
        @click="toggle(option.handle)"
      >
        {{ option.name }} <small>{{ option.values }}</small>
      </button>
      <span v-if="chosen.length === 0" class="soft">{{ say("fields-form-nothing-there-one-variant") }}</span>
    </fieldset>
    <div class="row both">
      <ChipsField v-model="details" :label="say('fields-form-texts-their-titles')" own />
      <ChipsField v-model="facts" :label="say('fields-form-facts-their-names')" own />
    </div>
    <ChipsField v-model="tags" :items="knownTags" :label="say('fields-form-tags')" own />
    <div class="row">
      <label>
        <span class="soft">{{ say("fields-form-price-about", { currency }) }}</span>
        <MoneyInput v-model="price" />
      </label>
      <label>
        <span class="soft">{{ say("fields-form-pictures-about") }}</span>
        <NumberInput
          :model-value="fields.pictures ?? 0"
          :least="0"
          :most="6"
          @update:model-value="set({ pictures: $event })"
        />
      </label>
      <label>
        <span class="soft">{{ say("fields-form-most-one-order") }}</span>
        <NumberInput v-model="most" :least="1" :most="99" none :placeholder="say('fields-form-any-number')" />
      </label>
    </div>
    <div class="row two">
      <label>
        <span class="soft">{{ say("fields-form-shoppers-write-onto") }}</span>
        <TextInput v-model="text" maxlength="60" :placeholder="say('fields-form-nothing-name-banner')" />
      </label>
      <label class="tick">
        <TickBox :model-value="fields.counted" @update:model-value="set({ counted: $event })" />
        <span>{{ say("fields-form-stock-counted") }}</span>
      </label>
    </div>
  </div>
</template>

<style scoped src="../../ui/form.css"></style>
<style scoped>
.both {
  grid-template-columns: 1fr 1fr;
}
.fields {
  display: grid;
  gap: 16px;
}
.pill small {
  color: inherit;
  font-size: 11px;
  opacity: 0.75;
}
.two {
  grid-template-columns: 2fr 1fr;
  align-items: end;
}
.tick {
  padding-bottom: 6px;
}
</style>
