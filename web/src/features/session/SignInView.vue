<script setup lang="ts">
import { useRoute, useRouter } from "vue-router";
import SignInForm from "./SignInForm.vue";
import { say } from "../../words";

const route = useRoute();
const router = useRouter();

async function go(): Promise<void> {
  // Only a place within the application, or a link could lead anywhere after signing in.
  const to = typeof route.query.to === "string" && /^\/(?!\/)/.test(route.query.to) ? route.query.to : "/";
  await router.replace(to);
}
</script>

<template>
  <main class="table">
    <SignInForm class="sheet" @done="go">
      <p class="mark">
        <svg width="26" height="26" viewBox="0 0 22 22" aria-hidden="true">
          <path d="M2 4h8v14H2z" fill="var(--bar-mark)" />
          <path d="M12 4h8v6h-8z" fill="var(--ink)" />
          <path d="M12 12h8v6h-8z" fill="var(--sign-sail)" />
        </svg>
        {{ say("sign-in-view-compagina") }}
      </p>
      <h1>{{ say("sign-in-view-sign-your-workshop") }}</h1>
    </SignInForm>
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
p {
  margin: 0;
}
</style>
