<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import PageThumb from "../../ui/thumb/PageThumb.vue";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import { when } from "../../ui/when";
import { useDesk } from "./deskStore";
import type { SituationControl } from "./useSituation";
import DialogSheet from "../../ui/DialogSheet.vue";
import PickField from "../../ui/fields/PickField.vue";
import { say } from "../../words";

/** What the template was: every edit that stands and everything published, to look at, compare and bring back. */
const props = defineProps<{ situation: SituationControl }>();
const emit = defineEmits<{ close: [] }>();
const desk = useDesk();
const moments = shallowRef<Schemas["MomentView"][] | null>(null);
const chosen = ref<string | null>(null);
const against = ref("now");
const differences = shallowRef<string[]>([]);
const problem = ref<ApiError | null>(null);
const path = computed(() => ({ id: desk.view?.id ?? 0 }));

onMounted(async () => {
  const { data, error } = await ask(api.GET("/api/templates/{id}/history", { params: { path: path.value } }));
  problem.value = error ?? null;
  moments.value = data ?? [];
  chosen.value = data?.[0]?.key ?? null;
});

watch([chosen, against], async ([from, to]) => {
  if (!from) return;
  const mine = (asked += 1);
  const params = { path: path.value, query: { from, to } };
  const { data, error } = await ask(api.GET("/api/templates/{id}/differences", { params }));
  if (mine !== asked) return;
  problem.value = error ?? null;
  differences.value = data ?? [];
});
let asked = 0;

const compared = computed(() => [
  { value: "now", says: say("history-dialog-draft-now") },
  ...(moments.value ?? [])
    .filter((m) => m.key !== chosen.value)
    .map((m) => ({ value: m.key, says: `${m.what}, ${when(m.at)}` })),
]);

async function bringBack(): Promise<void> {
  if (!chosen.value) return;
  emit("close");
  await desk.bringBack(chosen.value);
}
</script>

<template>
  <DialogSheet
    :title="say('history-dialog-history')"
    :width="1160"
    :leave="say('history-dialog-close')"
    @close="emit('close')"
  >
    <div class="both">
      <div class="list">
        <ProblemNote :problem="problem" />
        <ProgressLine v-if="moments === null" />
        <EmptyPlace v-else-if="moments.length === 0 && !problem">{{
          say("history-dialog-nothing-has-happened-template")
        }}</EmptyPlace>
        <ol v-else>
          <li v-for="moment in moments" :key="moment.key">
            <button
              :aria-pressed="moment.key === chosen"
              :class="{ published: moment.published }"
              @click="chosen = moment.key"
            >
              <span>{{ moment.what }}</span>
              <small class="soft">{{ moment.who ?? say("history-dialog-start") }} · {{ when(moment.at) }}</small>
            </button>
          </li>
        </ol>
      </div>
      <div v-if="chosen" class="look">
        <div class="two">
          <figure>
            <figcaption>{{ say("history-dialog-was-then") }}</figcaption>
            <PageThumb
              :address="props.situation.address({}, { moment: chosen })"
              :name="say('history-dialog-page-then')"
              :width="1280"
              :height="1500"
              fit
            />
          </figure>
          <figure>
            <figcaption>
              <PickField v-model="against" :options="compared" :aria-label="say('history-dialog-compared')" />
            </figcaption>
            <PageThumb
              :address="props.situation.address({}, { moment: against })"
              :name="say('history-dialog-page-compared')"
              :width="1280"
              :height="1500"
              fit
            />
          </figure>
        </div>
        <p v-if="differences.length === 0" class="soft">{{ say("history-dialog-two-same") }}</p>
        <ul v-else :aria-label="say('history-dialog-what-differs')">
          <li v-for="(word, index) in differences.slice(0, 12)" :key="index">{{ word }}</li>
          <li v-if="differences.length > 12" class="soft">
            {{ say("history-dialog-more", { count: differences.length - 12 }) }}
          </li>
        </ul>
      </div>
    </div>
    <template v-if="chosen" #acts>
      <v-btn variant="flat" color="primary" @click="bringBack">{{ say("history-dialog-bring-back") }}</v-btn>
    </template>
  </DialogSheet>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: 290px minmax(0, 1fr);
  gap: 14px;
}
.look {
  position: sticky;
  top: 0;
  align-self: start;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
ol button {
  display: grid;
  width: 100%;
  padding: 6px 10px;
  border-left: 3px solid transparent;
  text-align: left;
}
ol button.published span {
  font-weight: 600;
}
ol button.published span::before {
  content: "● ";
  color: var(--good);
}
[aria-pressed="true"] {
  border-color: var(--accent);
  background: var(--accent-weak);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}
figure {
  margin: 0;
}
figcaption {
  display: grid;
  align-items: center;
  height: 36px;
  font-weight: 600;
}
.thumb {
  border: 1px solid var(--line);
}
.look ul {
  columns: 2;
  margin: 12px 0;
  padding-left: 18px;
}
</style>
