<script setup lang="ts">
import { mdiClose } from "@mdi/js";
import { ref } from "vue";
import SheetMenu from "../../ui/menu/SheetMenu.vue";
import type { SituationControl } from "./useSituation";
import TickBox from "../../ui/fields/TickBox.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { useNewName } from "../../ui/useNewName";
import { say } from "../../words";

/** Situations kept by their names, and a place to keep the present one. */
const props = defineProps<{ situation: SituationControl }>();
const { kept, told } = props.situation;
const open = ref(false);
const { name, add: keep } = useNewName((wanted) => props.situation.keep(wanted, withProduct.value));
const withProduct = ref(false);

function opened(now: boolean): void {
  open.value = now;
  if (!now) return;
  name.value = told.value ? told.value.charAt(0).toUpperCase() + told.value.slice(1) : "";
  void props.situation.loadKept();
}
</script>

<template>
  <SheetMenu :model-value="open" :label="say('keep-menu-kept-situations')" @update:model-value="opened">
    <template #button="{ menu }">
      <button v-bind="menu" class="keep" :title="say('keep-menu-keep-situation-name-take')">
        {{ say("keep-menu-keep") }}
      </button>
    </template>
    <p v-if="kept.length === 0" class="soft">{{ say("keep-menu-none-kept-yet-kept") }}</p>
    <ul>
      <li v-for="one in kept" :key="one.id">
        <button @click="(situation.recall(one), (open = false))">{{ one.name }}</button>
        <button
          class="drop"
          :aria-label="say('keep-menu-remove', { name: one.name })"
          @click="situation.forget(one.id)"
        >
          <v-icon :icon="mdiClose" size="13" />
        </button>
      </li>
    </ul>
    <form @submit.prevent="keep">
      <label class="field">
        <span class="called">{{ say("keep-menu-keep-one") }}</span>
        <TextInput v-model="name" maxlength="80" />
      </label>
      <label class="tick"><TickBox v-model="withProduct" /> {{ say("keep-menu-product-choice") }}</label>
      <v-btn type="submit" :disabled="name.trim() === ''">{{ say("keep-menu-save") }}</v-btn>
    </form>
  </SheetMenu>
</template>

<style scoped>
.keep {
  min-height: 24px;
  padding-left: 9px;
  border-left: 1px solid var(--line);
  color: var(--accent);
  font-weight: 600;
}
ul {
  max-height: 220px;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 24px;
}
li button:first-child {
  padding: 4px 6px;
  border-radius: 4px;
  text-align: left;
}
li button:hover {
  background: var(--accent-weak);
}
.drop {
  color: var(--soft);
}
form {
  display: grid;
  gap: 8px;
  padding-top: 8px;
  border-top: 1px solid var(--line);
}
.tick {
  display: flex;
  gap: 6px;
  align-items: center;
}
p {
  margin: 0;
}
</style>
