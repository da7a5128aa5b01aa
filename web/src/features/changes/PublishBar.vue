<script setup lang="ts">
import { computed, ref } from "vue";
import { useRouter } from "vue-router";
import { type ApiError, api, ask } from "../../api/client";
import { useDesk } from "../desk/deskStore";

/** Publishing for all pages, for some, at once or at a time. */
const props = defineProps<{ chosen: string[]; count: number }>();
const emit = defineEmits<{ done: []; problem: [error: ApiError] }>();
const desk = useDesk();
const router = useRouter();
const name = ref("");
const at = ref("");
const some = computed(() => props.chosen.length > 0);
const label = computed(() => {
  if (some.value) return `Publish for ${props.chosen.length === 1 ? "this 1" : `these ${props.chosen.length}`} only`;
  return at.value ? "Publish then" : "Publish for all";
});

async function publish(): Promise<void> {
  const id = desk.view?.id ?? 0;
  const path = { path: { id } };
  const revision = desk.draft?.revision ?? 0;
  if (some.value) {
    const body = { revision, name: name.value || `${desk.view?.name}, apart`, products: props.chosen };
    const { data, error } = await ask(api.POST("/api/templates/{id}/publish-for-some", { params: path, body }));
    if (error) return emit("problem", error);
    if (data) await router.push({ name: "desk", params: { id: data.id } });
  } else if (at.value) {
    const body = { revision, name: name.value, at: at.value };
    const { error } = await ask(api.POST("/api/templates/{id}/planned", { params: path, body }));
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
    <v-text-field v-model="name" :label="some ? 'Name of their template' : 'Name in the history'" maxlength="120" />
    <label v-if="!some" class="when soft">
      at <input v-model="at" type="datetime-local" aria-label="When; at once if empty" />
    </label>
    <v-btn type="submit" variant="flat" color="primary" data-test="publish" :disabled="count === 0 && desk.draft?.live">
      {{ label }}
    </v-btn>
  </form>
</template>

<style scoped>
.bar {
  display: flex;
  gap: 10px;
  align-items: center;
}
.bar :deep(.v-text-field) {
  width: 200px;
}
.when {
  display: flex;
  gap: 6px;
  align-items: center;
}
input {
  padding: 4px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
  color: var(--ink);
}
</style>
