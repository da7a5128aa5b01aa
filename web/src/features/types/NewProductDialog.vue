<script setup lang="ts">
import { ref } from "vue";
import { useRouter } from "vue-router";
import { type ApiError, api, ask } from "../../api/client";
import ProblemNote from "../../ui/ProblemNote.vue";

/** A product of a type, which begins with what the type has. */
const props = defineProps<{ kind: { handle: string; name: string }; first: boolean }>();
const emit = defineEmits<{ close: [] }>();
const router = useRouter();
const name = ref("");
const problem = ref<ApiError | null>(null);

async function add(): Promise<void> {
  const body = { kind: props.kind.handle, name: name.value };
  const { data, error } = await ask(api.POST("/api/products", { body }));
  problem.value = error ?? null;
  if (data) await router.push({ name: "variants", params: { handle: data.handle } });
}
</script>

<template>
  <v-dialog model-value max-width="460" aria-label="New product" @update:model-value="emit('close')">
    <form class="dialog-sheet" @submit.prevent="add">
      <h1>{{ first ? "The first of" : "A new one of" }} {{ kind.name }}</h1>
      <p class="soft">
        It begins with the type’s options, a variant for each choice, price and terms.
        {{ first ? "It takes the place of the sample." : "" }} Shoppers don’t see it until you put it on sale.
      </p>
      <ProblemNote :problem="problem" />
      <label>
        <span class="soft">Name</span>
        <input v-model="name" maxlength="200" autofocus required />
      </label>
      <div class="acts">
        <v-btn variant="text" @click="emit('close')">Leave it</v-btn>
        <v-btn type="submit" variant="flat" color="primary" :disabled="name.trim() === ''">Add it</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped src="../../ui/form.css"></style>
