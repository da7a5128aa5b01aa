<script setup lang="ts">
import { computed, ref, watch } from "vue";
import ColourField from "../../ui/ColourField.vue";
import type { BookControl, BookValue, OptionUser, Swatch } from "./useBook";
import RadioBox from "../../ui/fields/RadioBox.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import PickField from "../../ui/fields/PickField.vue";
import { say } from "../../words";

/** Lets one product show the value in its own way, with the reason. */
const props = defineProps<{ book: BookControl; value: BookValue }>();
const open = ref(false);
const users = ref<OptionUser[]>([]);
const product = ref("");
const kind = ref<"colour" | "text">("colour");
const colour = ref("#8A8A8A");
const why = ref("");
watch(
  () => props.value.id,
  () => (open.value = false),
);
async function begin(): Promise<void> {
  users.value = (await props.book.users()).filter((user) => user.values.includes(props.value.id));
  product.value = users.value[0]?.product ?? "";
  const { swatch } = props.value;
  if (swatch.kind === "colours") colour.value = swatch.colours[0] ?? colour.value;
  open.value = true;
}
const swatch = computed<Swatch>(() =>
  kind.value === "text" ? { kind: "text" } : { kind: "colours", colours: [colour.value] },
);
async function keep(): Promise<void> {
  await props.book.setOwn(product.value, props.value.id, swatch.value, why.value);
  if (!props.book.problem.value) [open.value, why.value] = [false, ""];
}
</script>

<template>
  <button v-if="!open" class="quiet" @click="begin">{{ say("own-swatch-different-one-product") }}</button>
  <form v-else class="own" @submit.prevent="keep">
    <p v-if="users.length === 0" class="soft">{{ say("own-swatch-no-product-offers", { name: value.name }) }}</p>
    <template v-else>
      <label>
        <span class="soft">{{ say("own-swatch-only") }}</span>
        <PickField v-model="product">
          <option v-for="user in users" :key="user.product" :value="user.product">{{ user.name }}</option>
        </PickField>
      </label>
      <div class="kind">
        <label><RadioBox v-model="kind" value="colour" /> {{ say("own-swatch-colour") }}</label>
        <label><RadioBox v-model="kind" value="text" /> {{ say("own-swatch-text") }}</label>
      </div>
      <div v-if="kind === 'colour'">
        <span id="own-colour" class="unseen">{{ say("own-swatch-colour-product") }}</span>
        <ColourField v-model="colour" labelledby="own-colour" />
      </div>
      <label>
        <span class="soft">{{ say("own-swatch-why") }}</span>
        <TextInput v-model="why" class="why" maxlength="200" :placeholder="say('own-swatch-those-who-wonder-later')" />
      </label>
      <span class="kind">
        <button class="quiet">{{ say("own-swatch-save") }}</button>
        <button type="button" class="quiet" @click="open = false">{{ say("own-swatch-cancel") }}</button>
      </span>
    </template>
  </form>
</template>

<style scoped>
.own {
  display: grid;
  gap: 8px;
  padding: 10px;
  border: 1px solid var(--line);
  border-radius: 8px;
}
label:has(select, .why) {
  display: grid;
  gap: 2px;
}
.why::placeholder {
  color: var(--soft);
}
.kind {
  display: flex;
  gap: 14px;
}
.kind label {
  display: flex;
  gap: 5px;
  align-items: center;
}
button.quiet {
  justify-self: start;
}
</style>
