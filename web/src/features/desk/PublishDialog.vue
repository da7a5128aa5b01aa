<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useDesk } from "./deskStore";
import { kilobytes } from "./kilobytes";
import type { Situation } from "./types";
import TurnList from "../templates/TurnList.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { say } from "../../words";

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
  if (count === 0) return say("publish-dialog-serves-no-product-now");
  return say("publish-dialog-serves-products-what-they", { count });
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
    :title="say('publish-dialog-publish', { name: desk.view?.name })"
    :label="say('publish-dialog-publish-b')"
    :width="440"
    @submit.prevent="publish"
  >
    <p class="soft">
      {{ serves }}
    </p>
    <TurnList :turns="desk.view?.ahead ?? []" />
    <ul v-if="desk.draft?.live">
      <li v-for="(change, index) in changes.slice(0, MOST)" :key="index">{{ change }}</li>
      <li v-if="changes.length > MOST" class="soft">
        {{ say("publish-dialog-more", { count: changes.length - MOST }) }}
      </li>
    </ul>
    <p v-else>
      {{
        desk.onCard ? say("publish-dialog-shoppers-see-card-first") : say("publish-dialog-shoppers-see-template-first")
      }}
    </p>
    <p v-if="prompting.length" class="signal" role="status">
      {{
        say("publish-dialog-still-say-what-starter", {
          prompting: prompting.join(say("publish-dialog-and")),
          count: prompting.length,
        })
      }}
    </p>
    <p v-if="weight" class="soft">
      {{
        say("publish-dialog-pictures-load-wide-screen", {
          name: facts?.name,
          first: kilobytes(weight.wide.first),
          first2: kilobytes(weight.phone.first),
        })
      }}
    </p>
    <label class="field">
      <span class="called">{{ say("publish-dialog-name-history-if-you") }}</span>
      <TextInput v-model="name" maxlength="120" />
    </label>
    <router-link class="where" :to="{ name: 'changes', params: { id: desk.view?.id ?? 0 } }">
      {{ say("publish-dialog-see-what-changes-where") }}
    </router-link>
    <template #acts>
      <v-btn type="submit" variant="flat" color="primary" data-test="publish">{{
        say("publish-dialog-publish-b")
      }}</v-btn>
    </template>
  </DialogSheet>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
