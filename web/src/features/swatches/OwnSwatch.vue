<script setup lang="ts">
import { computed, ref, watch } from "vue";
import ColourField from "../../ui/ColourField.vue";
import type { BookControl, BookValue, OptionUser, Swatch } from "./useBook";
import RadioBox from "../../ui/fields/RadioBox.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import PickField from "../../ui/fields/PickField.vue";

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
  <button v-if="!open" class="quiet" @click="begin">Different on one product …</button>
  <form v-else class="own" @submit.prevent="keep">
    <p v-if="users.length === 0" class="soft">No product offers {{ value.name }}.</p>
    <template v-else>
      <label>
        <span class="soft">Only on</span>
        <PickField v-model="product">
          <option v-for="user in users" :key="user.product" :value="user.product">{{ user.name }}</option>
        </PickField>
      </label>
      <div class="kind">
        <label><RadioBox v-model="kind" value="colour" /> a colour</label>
        <label><RadioBox v-model="kind" value="text" /> its text</label>
      </div>
      <div v-if="kind === 'colour'">
        <span id="own-colour" class="unseen">Colour on this product</span>
        <ColourField v-model="colour" labelledby="own-colour" />
      </div>
      <label>
        <span class="soft">Why</span>
        <TextInput v-model="why" class="why" maxlength="200" placeholder="For those who wonder later" />
      </label>
      <span class="kind">
        <button class="quiet">Save</button>
        <button type="button" class="quiet" @click="open = false">Cancel</button>
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
