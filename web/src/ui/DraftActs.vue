<script setup lang="ts">
import { computed, ref, shallowRef, watch } from "vue";
import { type Answer, type ApiError, offline } from "../api/client";
import { type DraftState, draftCalls } from "../session/useDraft";
import ActsMenu from "./menu/ActsMenu.vue";
import ProblemNote from "./notes/ProblemNote.vue";
import StepsDialog from "./StepsDialog.vue";
import { onThe, when } from "./when";
import MomentInput from "./fields/MomentInput.vue";
import TextInput from "./fields/TextInput.vue";
import DialogSheet from "./DialogSheet.vue";
import { say } from "../words";

/** What is seldom done with a draft: published at a time or under a name, taken back, brought back as it was. */
const props = defineProps<{ draft: string; revision: number; changes: number; title: string }>();
const emit = defineEmits<{ changed: [] }>();
const calls = computed(() => draftCalls(props.draft));
const state = shallowRef<DraftState | null>(null);
const problem = ref<ApiError | null>(null);
/** Why it isn't known what is planned and what was published. */
const unread = ref<ApiError | null>(null);
async function load(): Promise<void> {
  const { data, error } = await calls.value.state();
  // Without a connection the foot says as much.
  unread.value = error && error.code !== offline.code ? error : null;
  if (data) state.value = data;
}
watch(() => [props.draft, props.revision, props.changes], load, { immediate: true });

const dialog = ref<"plan" | "history" | null>(null);
const name = ref("");
const at = ref("");
function open(which: "plan" | "history"): void {
  [name.value, at.value, problem.value] = ["", "", null];
  dialog.value = which;
}
async function take(call: Promise<Answer<DraftState>>, stay = false): Promise<void> {
  const { data, error } = await call;
  problem.value = error ?? null;
  if (!data) return;
  state.value = data;
  if (!stay) dialog.value = null;
  emit("changed");
}
const publish = () =>
  take(
    at.value ? calls.value.plan(props.revision, name.value, at.value) : calls.value.publish(props.revision, name.value),
  );
</script>

<template>
  <span v-if="unread" class="signal" role="status" :title="unread.message">{{
    say("draft-acts-what-planned-cant-told")
  }}</span>
  <span v-if="state?.planned" class="chip" :title="say('draft-acts-shops-clocks')" data-test="planned">
    {{ say("draft-acts-goes-live", { at: onThe(state.planned.at) }) }}
    <button class="quiet" @click="take(calls.unplan())">{{ say("draft-acts-call-off") }}</button>
  </span>
  <ActsMenu :label="say('draft-acts-more-about-publishing')">
    <v-list-item :title="say('draft-acts-publish-under-name-time')" :disabled="changes === 0" @click="open('plan')" />
    <v-list-item
      :title="say('draft-acts-take-last-publication-back')"
      :disabled="(state?.publications.length ?? 0) < 2"
      @click="take(calls.takeBack())"
    />
    <v-list-item :title="say('draft-acts-what-was-published')" @click="open('history')" />
  </ActsMenu>
  <DialogSheet
    :model-value="dialog === 'plan'"
    :title="say('draft-acts-publish', { title })"
    :label="say('draft-acts-publish-under-name-time-b')"
    :width="440"
    :act="at ? say('draft-acts-publish-then') : say('draft-acts-publish-b')"
    @submit.prevent="publish"
    @close="dialog = null"
  >
    <ProblemNote :problem="problem" />
    <label>
      <span class="soft">{{ say("draft-acts-name-history") }}</span>
      <TextInput v-model="name" maxlength="120" />
    </label>
    <label>
      <span class="soft">{{ say("draft-acts-time-shops-clocks") }}</span>
      <MomentInput v-model="at" :none="say('draft-acts-once')" />
    </label>
    <p v-if="at" class="soft">{{ say("draft-acts-goes-live-now-whatever") }}</p>
  </DialogSheet>
  <StepsDialog
    v-if="dialog === 'history'"
    :label="say('draft-acts-what-was-published-b')"
    :title="say('draft-acts-what-was-published-c', { title })"
    :list="say('draft-acts-publications-newest-first')"
    :steps="state?.publications ?? null"
    :empty="say('draft-acts-nothing-was-published-yet')"
    :problem="problem"
    @close="dialog = null"
  >
    <template #default="{ step, place }">
      <li>
        <span>
          {{ step.name || say("draft-acts-published") }}
          <small class="soft">{{ step.who ?? say("draft-acts-start") }} · {{ when(step.at) }}</small>
        </span>
        <b v-if="place === 0" class="soft">{{ say("draft-acts-live-now") }}</b>
        <button v-else class="quiet" @click="take(calls.bringBack(revision, step.id), true)">
          {{ say("draft-acts-take-draft") }}
        </button>
      </li>
    </template>
  </StepsDialog>
  <ProblemNote v-if="dialog === null" class="refused" :problem="problem" />
</template>

<style scoped src="./form.css"></style>
<style scoped>
li {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}
small {
  display: block;
}
.refused {
  flex-basis: 100%;
  order: 1;
}
</style>
