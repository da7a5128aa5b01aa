<script setup lang="ts">
import { computed, onMounted, ref } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { onThe } from "../../ui/when";
import { say } from "../../words";

/** What was written to shoppers: confirmations of orders, and that something is back. Nothing is sent from here. */
const all = ref<Schemas["OutboxMessage"][] | null>(null);
const problem = ref<ApiError | null>(null);
const typed = ref("");
const chosen = ref(0);
async function read(): Promise<void> {
  const { data, error } = await ask(api.GET("/api/outbox"));
  [all.value, problem.value] = [data ?? all.value, error ?? null];
}
onMounted(read);
const found = computed(() => {
  const word = typed.value.trim().toLowerCase();
  return (all.value ?? []).filter((one) => `${one.address} ${one.subject} ${one.body}`.toLowerCase().includes(word));
});
const shown = computed(() => found.value[chosen.value] ?? found.value[0]);
</script>

<template>
  <main class="messages">
    <div class="view-head">
      <h1>{{ say("messages-view-messages") }}</h1>
      <span class="soft">{{ say("messages-view-written-shoppers-nothing-sent") }}</span>
      <span class="space" />
      <TextInput
        v-model="typed"
        :placeholder="say('messages-view-find-address-word')"
        :aria-label="say('messages-view-find-messages')"
        @input="chosen = 0"
      />
    </div>
    <ProblemNote class="alone" :problem="problem" @retry="read" />
    <div v-if="found.length" class="halves">
      <ul>
        <li v-for="(one, place) in found" :key="place">
          <button :class="{ chosen: one === shown }" :aria-current="one === shown" @click="chosen = place">
            <b>{{ one.subject }}</b>
            <span class="soft">{{ one.address }} · {{ onThe(one.at) }}</span>
          </button>
        </li>
      </ul>
      <article v-if="shown">
        <h2>{{ shown.subject }}</h2>
        <p class="soft">{{ say("messages-view-to", { address: shown.address }) }}</p>
        <pre>{{ shown.body }}</pre>
      </article>
    </div>
    <p v-else-if="all" class="soft alone">
      {{ typed ? say("messages-view-no-message-has-word") : say("messages-view-no-message-was-written") }}
    </p>
  </main>
</template>

<style scoped>
.messages {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - var(--top) - var(--foot));
  min-height: 480px;
}
input {
  width: 240px;
}
.halves {
  display: grid;
  flex: 1;
  grid-template-columns: 340px minmax(0, 1fr);
  min-height: 0;
}
ul {
  margin: 0;
  padding: 0;
  overflow-y: auto;
  border-right: 1px solid var(--line);
  list-style: none;
}
li button {
  display: grid;
  gap: 1px;
  width: 100%;
  padding: 9px 18px;
  border-bottom: 1px solid var(--hair);
  text-align: left;
  overflow-wrap: anywhere;
}
li button:hover {
  background: var(--head);
}
li .chosen {
  background: var(--accent-weak);
}
li .chosen .soft {
  color: var(--soft);
}
article {
  padding: 22px 28px;
  overflow-y: auto;
}
pre {
  max-width: 70ch;
  margin: 18px 0 0;
  font: inherit;
  white-space: pre-wrap;
}
.alone {
  margin: 12px 18px;
}
@media (max-width: 760px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
