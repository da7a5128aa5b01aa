<script setup lang="ts" generic="T extends string | boolean">
import { computed } from "vue";
import ActsMenu from "../../ui/menu/ActsMenu.vue";

/** One part of the situation, with the states that it can be put into. */
const mood = defineModel<T>({ required: true });
const props = defineProps<{ name: string; label?: string; moods: [T, string][] }>();
const said = computed(() => props.moods.find(([key]) => key === mood.value)?.[1]);
</script>

<template>
  <ActsMenu>
    <template #button="{ menu }">
      <button v-bind="menu" class="part" :aria-label="`${label ?? name}: ${said}`">
        {{ name }} <b>{{ said }}</b>
      </button>
    </template>
    <v-list-item
      v-for="[key, words] in moods"
      :key="String(key)"
      :title="words"
      :active="key === mood"
      @click="mood = key"
    />
  </ActsMenu>
</template>
