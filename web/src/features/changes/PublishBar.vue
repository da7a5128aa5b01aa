<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from "vue";
import { useRouter } from "vue-router";
import { type ApiError, api, ask } from "../../api/client";
import { draftCalls } from "../../session/useDraft";
import { useDesk } from "../desk/deskStore";
import MomentInput from "../../ui/fields/MomentInput.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { say } from "../../words";

/** Publishing for all pages, for some, at once or at a time. */
const props = defineProps<{ chosen: string[]; count: number }>();
const emit = defineEmits<{ done: []; problem: [error: ApiError] }>();
const desk = useDesk();
const router = useRouter();
const name = ref("");
const planning = ref(false);
const at = ref("");
const when = useTemplateRef<InstanceType<typeof MomentInput>>("when");
const some = computed(() => props.chosen.length > 0);
const label = computed(() => {
  if (some.value) return say("publish-bar-publish-these-only", { count: props.chosen.length });
  return planning.value ? say("publish-bar-publish-then") : say("publish-bar-publish-all");
});
const nothing = computed(() => (props.count === 0 && desk.draft?.live) || (!some.value && planning.value && !at.value));

watch(planning, async (now) => {
  at.value = "";
  await nextTick();
  if (now) when.value?.focus();
});

async function publish(): Promise<void> {
  const id = desk.view?.id ?? 0;
  const path = { path: { id } };
  const revision = desk.draft?.revision ?? 0;
  if (some.value) {
    const body = {
      revision,
      name: name.value || say("publish-bar-apart", { name: desk.view?.name }),
      products: props.chosen,
    };
    const { data, error } = await ask(api.POST("/api/templates/{id}/publish-for-some", { params: path, body }));
    if (error) return emit("problem", error);
    if (data) await router.push({ name: "desk", params: { id: data.id } });
  } else if (planning.value) {
    const { error } = await draftCalls(`template-${id}`).plan(revision, name.value, at.value);
    if (error) return emit("problem", error);
    await router.push({ name: "desk", params: { id } });
  } else {
    await desk.publish(name.value);
    if (desk.problem) return emit("problem", desk.problem);
    emit("done");
  }
}
</script>

<template>
  <form class="bar" @submit.prevent="publish">
    <label class="field beside">
      <span class="called">{{ some ? say("publish-bar-name-their-template") : say("publish-bar-name-history") }}</span>
      <TextInput v-model="name" maxlength="120" />
    </label>
    <template v-if="!some">
      <label v-if="planning" class="when soft">
        {{ say("publish-bar-at") }} <MomentInput ref="when" v-model="at" :aria-label="say('publish-bar-when')" />
        {{ say("publish-bar-shops-clocks") }}
      </label>
      <button type="button" class="quiet" data-test="plan" @click="planning = !planning">
        {{ planning ? say("publish-bar-once-instead") : say("publish-bar-time") }}
      </button>
    </template>
    <v-btn type="submit" variant="flat" color="primary" data-test="publish" :disabled="nothing">
      {{ label }}
    </v-btn>
  </form>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.when {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
</style>
