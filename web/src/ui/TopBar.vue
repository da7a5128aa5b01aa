<script setup lang="ts">
import { mdiMagnify, mdiOpenInNew, mdiRadioboxBlank, mdiRadioboxMarked } from "@mdi/js";
import { computed, defineAsyncComponent, ref } from "vue";
import { useRoute } from "vue-router";
import type { ApiError } from "../api/client";
import { useSession } from "../features/session/session";
import { useOutbox } from "../session/useOutbox";
import ActsMenu from "./menu/ActsMenu.vue";
import ProblemNote from "./notes/ProblemNote.vue";
import { WANTED, wanted } from "./colours";
import { initials } from "./initials";
import { listed } from "./keys/keys";
import { PLACES, viewsBeside } from "./places";
import DialogSheet from "./DialogSheet.vue";
import { say } from "../words";

const GoAnywhere = defineAsyncComponent(() => import("../features/anywhere/GoAnywhere.vue"));

const session = useSession();
const route = useRoute();

const going = ref(false);
const beside = computed(() => viewsBeside(route));
/** A view stays marked while something of it is open, such as one option of the swatch book. */
function isWithin(view: string): boolean {
  return route.path === view || route.path.startsWith(`${view}/`);
}

/** Past the bar, to what the view begins with. */
function skip(): void {
  const view = document.querySelector<HTMLElement>("main");
  view?.setAttribute("tabindex", "-1");
  view?.focus();
}

const who = computed(() => `${session.owner}, ${session.shop?.name}`);

const outbox = useOutbox();
const leaving = ref(false);
const problem = ref<ApiError | null>(null);
async function signOut(): Promise<void> {
  // What waits is told first.
  if (outbox.waiting > 0 && !leaving.value) return void (leaving.value = true);
  problem.value = await session.signOut();
  if (problem.value) leaving.value = true;
}
</script>

<template>
  <header class="bar">
    <a class="skip" href="#view" @click.prevent="skip">{{ say("top-bar-skip-view") }}</a>
    <router-link to="/" class="mark">
      <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
        <path d="M2 4h8v14H2z" fill="var(--bar-mark)" />
        <path d="M12 4h8v6h-8z" fill="var(--on-bar)" />
        <path d="M12 12h8v6h-8z" fill="var(--sign-sail)" />
      </svg>
      {{ say("top-bar-compagina") }}
    </router-link>
    <nav :aria-label="say('top-bar-places')">
      <router-link
        v-for="one in PLACES"
        :key="one.place"
        :to="one.to"
        :class="{ within: route.meta.place === one.place }"
        :aria-current="route.path === one.to ? 'page' : route.meta.place === one.place ? 'true' : undefined"
      >
        {{ one.name }}
      </router-link>
    </nav>
    <div class="right">
      <button
        class="anywhere"
        :title="say('top-bar-go-anywhere-ctrl-k')"
        :aria-label="say('top-bar-go-anywhere')"
        @click="going = true"
      >
        <v-icon :icon="mdiMagnify" size="17" />
      </button>
      <ActsMenu>
        <template #button="{ menu }">
          <button v-bind="menu" class="who" :aria-label="who">
            <span aria-hidden="true">{{ who }}</span>
            <b aria-hidden="true" :data-says="initials(session.owner ?? '')" />
          </button>
        </template>
        <v-list-item :title="say('top-bar-messages-shoppers')" to="/messages" />
        <v-list-item :title="say('top-bar-keyboard-shortcuts')" @click="listed = true" />
        <v-divider />
        <v-list-item
          v-for="[set, says] in WANTED"
          :key="set"
          :title="says"
          role="menuitemradio"
          :aria-checked="wanted === set"
          :prepend-icon="wanted === set ? mdiRadioboxMarked : mdiRadioboxBlank"
          @click="wanted = set"
        />
        <v-divider />
        <v-list-item :title="say('top-bar-sign-out')" @click="signOut" />
      </ActsMenu>
      <a class="open" href="/shop" target="_blank" rel="noopener">
        {{ say("top-bar-open-shop") }} <v-icon :icon="mdiOpenInNew" size="13" />
      </a>
    </div>
    <DialogSheet
      v-model="leaving"
      :title="say('top-bar-sign-out')"
      :width="420"
      :act="say('top-bar-sign-out')"
      @submit.prevent="signOut"
    >
      <ProblemNote :problem="problem" />
      <p v-if="outbox.waiting">
        {{ say("top-bar-steps-arent-sent-yet", { waiting: outbox.waiting }) }}
      </p>
    </DialogSheet>
  </header>
  <nav v-if="beside.length" class="beside" :aria-label="say('top-bar-views')">
    <router-link v-for="view in beside" :key="view.to" :to="view.to" :class="{ within: isWithin(view.to) }">
      {{ view.name }}
    </router-link>
  </nav>
  <GoAnywhere v-model="going" />
</template>

<style scoped>
.skip {
  position: fixed;
  z-index: 3000;
  top: 8px;
  left: 8px;
  padding: 6px 12px;
  border-radius: 6px;
  background: var(--sheet);
}
.skip:not(:focus) {
  clip-path: inset(50%);
}
.bar {
  display: flex;
  align-items: center;
  gap: 22px;
  height: 48px;
  padding: 0 18px;
  background: var(--bar);
  color: var(--on-bar);
  flex: none;
}
.bar :focus-visible {
  outline-color: var(--bar-mark);
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
.bar nav {
  display: flex;
  gap: 18px;
  align-self: stretch;
}
.bar nav a {
  display: flex;
  align-items: center;
  border-block: 3px solid transparent;
  color: var(--bar-soft);
  font-weight: 500;
  text-decoration: none;
}
.bar nav a:hover {
  color: var(--on-bar);
}
.bar nav .within {
  border-bottom-color: var(--bar-mark);
  color: var(--on-bar);
}
.beside {
  display: flex;
  flex: none;
  gap: 18px;
  align-items: stretch;
  height: 32px;
  padding: 0 18px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
}
.beside a {
  display: flex;
  align-items: center;
  border-block: 2px solid transparent;
  color: var(--soft);
  text-decoration: none;
}
.beside a:hover {
  color: var(--accent);
}
.beside .within {
  border-bottom-color: var(--accent);
  color: var(--ink);
  font-weight: 600;
}
.anywhere {
  display: grid;
  place-items: center;
  width: 28px;
  height: 28px;
  border-radius: 5px;
  color: inherit;
}
.anywhere:hover {
  background: var(--bar-line);
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
  border: 1px solid var(--bar-line);
  border-radius: 6px;
  color: inherit;
  text-decoration: none;
}
.who b::before {
  content: attr(data-says);
}
.who b {
  display: none;
  place-items: center;
  width: 26px;
  height: 26px;
  border: 1px solid currentcolor;
  border-radius: 50%;
  font-size: 11px;
}
@media (max-width: 720px) {
  .bar {
    gap: 14px;
    padding: 0 12px;
  }
  .who span {
    display: none;
  }
  .who b {
    display: grid;
  }
}
</style>
