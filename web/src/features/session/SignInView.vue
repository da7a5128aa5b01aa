<script setup lang="ts">
import { ref } from "vue";
import { useRoute, useRouter } from "vue-router";
import { useSession } from "./session";

const session = useSession();
const route = useRoute();
const router = useRouter();
const email = ref("");
const password = ref("");
const problem = ref("");
const busy = ref(false);

async function submit(): Promise<void> {
  busy.value = true;
  problem.value = (await session.signIn(email.value, password.value))?.message ?? "";
  busy.value = false;
  if (problem.value) return;
  // Only a place within the application, or a link could lead anywhere after signing in.
  const to = typeof route.query.to === "string" && /^\/(?!\/)/.test(route.query.to) ? route.query.to : "/";
  await router.replace(to);
}
</script>

<template>
  <main class="table">
    <form class="sheet" @submit.prevent="submit">
      <p class="mark">
        <svg width="26" height="26" viewBox="0 0 22 22" aria-hidden="true">
          <path d="M2 4h8v14H2z" fill="#F0A36B" />
          <path d="M12 4h8v6h-8z" fill="#1D2A32" />
          <path d="M12 12h8v6h-8z" fill="#7FB8B4" />
        </svg>
        Compagina
      </p>
      <h1>Sign in to your workshop</h1>
      <label
        >Email <v-text-field v-model="email" type="email" name="email" autocomplete="username" required autofocus
      /></label>
      <label>
        Password
        <v-text-field v-model="password" type="password" name="password" autocomplete="current-password" required />
      </label>
      <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
      <v-btn type="submit" variant="flat" color="primary" block :loading="busy"> Sign in </v-btn>
    </form>
  </main>
</template>

<style scoped>
.table {
  display: grid;
  place-items: center;
  min-height: 100vh;
  padding: 24px;
}
.sheet {
  display: grid;
  gap: 14px;
  width: min(360px, 100%);
  padding: 32px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  box-shadow: var(--shadow);
}
.mark {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 0;
  font: 600 24px var(--heading);
}
h1 {
  font-size: 14px;
  font-weight: 500;
  color: var(--soft);
}
label {
  display: grid;
  gap: 4px;
}
p {
  margin: 0;
}
</style>
