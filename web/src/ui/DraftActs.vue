<script setup lang="ts">
import { mdiDotsHorizontal } from "@mdi/js";
import { computed, ref, shallowRef, watch } from "vue";
import type { Answer, ApiError } from "../api/client";
import { type DraftState, draftCalls } from "../session/useDraft";
import ProblemNote from "./ProblemNote.vue";

/** What is seldom done with a draft: published at a time or under a name, taken back, brought back as it was. */
const props = defineProps<{ draft: string; revision: number; changes: number; title: string }>();
const emit = defineEmits<{ changed: [] }>();
const calls = computed(() => draftCalls(props.draft));
const state = shallowRef<DraftState | null>(null);
const problem = ref<ApiError | null>(null);
async function load(): Promise<void> {
  const { data } = await calls.value.state();
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
function when(moment: string): string {
  return new Date(moment).toLocaleString("en-GB", {
    day: "numeric",
    month: "short",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
  });
}
</script>

<template>
  <span v-if="state?.planned" class="chip" data-test="planned">
    Goes live {{ when(state.planned.at) }}
    <button class="quiet" @click="take(calls.unplan())">Don’t</button>
  </span>
  <v-menu>
    <template #activator="{ props: menu }">
      <v-btn v-bind="menu" variant="text" :icon="mdiDotsHorizontal" size="small" aria-label="More about publishing" />
    </template>
    <v-list density="compact">
      <v-list-item title="Publish under a name or at a time …" :disabled="changes === 0" @click="open('plan')" />
      <v-list-item
        title="Take the last publication back"
        :disabled="(state?.publications.length ?? 0) < 2"
        @click="take(calls.takeBack())"
      />
      <v-list-item title="What was published …" @click="open('history')" />
    </v-list>
  </v-menu>
  <v-dialog
    :model-value="dialog === 'plan'"
    max-width="440"
    aria-label="Publish under a name or at a time"
    @update:model-value="dialog = null"
  >
    <form class="dialog-sheet" @submit.prevent="publish">
      <h1>Publish {{ title }}</h1>
      <ProblemNote :problem="problem" />
      <label>
        <span class="soft">Name in the history</span>
        <input v-model="name" maxlength="120" autofocus />
      </label>
      <label>
        <span class="soft">At a time, by the shop’s clocks; empty for now</span>
        <input v-model="at" type="datetime-local" />
      </label>
      <p v-if="at" class="soft">It goes live as it is now, whatever is changed on it until then.</p>
      <div class="acts">
        <v-btn variant="text" @click="dialog = null">Not yet</v-btn>
        <v-btn type="submit" variant="flat" color="primary">{{ at ? "Publish then" : "Publish" }}</v-btn>
      </div>
    </form>
  </v-dialog>
  <v-dialog
    :model-value="dialog === 'history'"
    max-width="560"
    scrollable
    aria-label="What was published"
    @update:model-value="dialog = null"
  >
    <div class="dialog-sheet">
      <h1>{{ title }}: what was published</h1>
      <ProblemNote :problem="problem" />
      <p v-if="state?.publications.length === 0" class="soft">Nothing was published yet; it is as it began.</p>
      <ol v-else tabindex="0" aria-label="Publications, the newest first">
        <li v-for="(one, place) in state?.publications" :key="one.id">
          <span>
            {{ one.name || "Published" }}
            <small class="soft">{{ one.who ?? "At the start" }} · {{ when(one.at) }}</small>
          </span>
          <b v-if="place === 0" class="soft">live now</b>
          <button v-else class="quiet" @click="take(calls.bringBack(revision, one.id), true)">
            Take it as the draft
          </button>
        </li>
      </ol>
      <div class="acts">
        <v-btn variant="text" @click="dialog = null">Close</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped src="./form.css"></style>
<style scoped src="./steps.css"></style>
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
</style>
