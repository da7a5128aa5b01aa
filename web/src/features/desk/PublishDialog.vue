<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useDesk } from "./deskStore";
import { kilobytes } from "./kilobytes";
import type { Situation } from "./types";
import TurnList from "../templates/TurnList.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import TextInput from "../../ui/fields/TextInput.vue";

/** Publishing is the only step that shoppers see: here stands what it changes, and how it is called in the history. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ facts: Situation | null }>();
const desk = useDesk();
const weight = computed(() => (props.facts?.weight.wide.all ? props.facts.weight : null));
const name = ref("");
watch(open, (now) => now && (name.value = ""));
const changes = computed(() => desk.draft?.not_live ?? []);
const serves = computed(() => {
  const count = desk.view?.serves ?? 0;
  if (count === 0) return "It serves no product now: nothing in the shop changes at once.";
  return `It serves ${count} ${count === 1 ? "product" : "products"}; what they show of it changes in the shop at once.`;
});
const MOST = 8;
/** Pieces that still say what a starter wrote into them. */
const prompting = computed(() =>
  (desk.draft?.prompting ?? []).map((id) => {
    const kind = desk.order.find((l) => l.piece.id === id)?.piece.kind;
    return kind ? (desk.labels.get(kind) ?? kind) : id;
  }),
);

async function publish(): Promise<void> {
  open.value = false;
  const before = desk.draft?.live === true;
  await desk.publish(name.value);
  desk.published = !desk.problem && before;
}
</script>

<template>
  <DialogSheet
    v-model="open"
    :title="`Publish ${desk.view?.name}`"
    label="Publish"
    :width="440"
    @submit.prevent="publish"
  >
    <p class="soft">
      {{ serves }}
    </p>
    <TurnList :turns="desk.view?.ahead ?? []" />
    <ul v-if="desk.draft?.live">
      <li v-for="(change, index) in changes.slice(0, MOST)" :key="index">{{ change }}</li>
      <li v-if="changes.length > MOST" class="soft">and {{ changes.length - MOST }} more</li>
    </ul>
    <p v-else>Shoppers see this template for the first time.</p>
    <p v-if="prompting.length" class="signal" role="status">
      {{ prompting.join(" and ") }} still {{ prompting.length === 1 ? "says" : "say" }} what the starter wrote.
    </p>
    <p v-if="weight" class="soft">
      The pictures of {{ facts?.name }} load {{ kilobytes(weight.wide.first) }} on a wide screen and
      {{ kilobytes(weight.phone.first) }} on a phone at first.
    </p>
    <label class="field">
      <span class="called">Name in the history, if you like</span>
      <TextInput v-model="name" maxlength="120" />
    </label>
    <router-link class="where" :to="{ name: 'changes', params: { id: desk.view?.id ?? 0 } }">
      See what changes where, publish for some, or at a time
    </router-link>
    <template #acts>
      <v-btn type="submit" variant="flat" color="primary" data-test="publish">Publish</v-btn>
    </template>
  </DialogSheet>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
