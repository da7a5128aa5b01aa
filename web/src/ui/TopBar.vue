<script setup lang="ts">
import { mdiOpenInNew } from "@mdi/js";
import { useRoute, useRouter } from "vue-router";
import { useSession } from "../features/session/session";

const session = useSession();
const route = useRoute();
const router = useRouter();

async function signOut(): Promise<void> {
  await session.signOut();
  await router.push({ name: "sign-in" });
}
</script>

<template>
  <header class="bar">
    <router-link to="/" class="mark">
      <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
        <path d="M2 4h8v14H2z" fill="#F0A36B" />
        <path d="M12 4h8v6h-8z" fill="#F3EFE6" />
        <path d="M12 12h8v6h-8z" fill="#7FB8B4" />
      </svg>
      Compagina
    </router-link>
    <nav aria-label="Views">
      <router-link to="/">Shelf</router-link>
      <router-link to="/templates" :class="{ within: route.path.startsWith('/templates') }">Templates</router-link>
      <router-link to="/swatch-book">Swatch book</router-link>
      <router-link to="/prices">Prices</router-link>
      <router-link to="/pictures">Pictures</router-link>
      <router-link to="/house-style">House style</router-link>
      <router-link to="/wording">Wording</router-link>
    </nav>
    <div class="right">
      <v-menu>
        <template #activator="{ props }">
          <button v-bind="props" class="who">{{ session.owner }}, {{ session.shop?.name }}</button>
        </template>
        <v-list>
          <v-list-item title="Messages to shoppers" to="/messages" />
          <v-list-item title="Sign out" @click="signOut" />
        </v-list>
      </v-menu>
      <a class="open" href="/shop" target="_blank" rel="noopener">
        Open shop <v-icon :icon="mdiOpenInNew" size="13" />
      </a>
    </div>
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 22px;
  height: 48px;
  padding: 0 18px;
  background: var(--ink);
  color: #f3efe6;
  flex: none;
}
.bar :focus-visible {
  outline-color: #f0a36b;
}
.mark {
  display: flex;
  gap: 8px;
  align-items: center;
  color: inherit;
  font: 600 19px var(--heading);
  letter-spacing: -0.01em;
  text-decoration: none;
}
nav {
  display: flex;
  gap: 18px;
  align-self: stretch;
}
nav a {
  display: flex;
  align-items: center;
  border-block: 3px solid transparent;
  color: #c9d0d2;
  font-weight: 500;
  text-decoration: none;
}
nav a:hover {
  color: #fff;
}
nav .within,
nav .router-link-exact-active {
  border-bottom-color: #f0a36b;
  color: #fff;
}
.right {
  display: flex;
  align-items: center;
  gap: 14px;
  margin-left: auto;
  white-space: nowrap;
}
.who {
  color: inherit;
}
.open {
  padding: 4px 10px;
  border: 1px solid #6b7a80;
  border-radius: 6px;
  color: inherit;
  text-decoration: none;
}
@media (max-width: 720px) {
  .bar {
    gap: 14px;
    padding: 0 12px;
  }
  .who {
    display: none;
  }
}
</style>
