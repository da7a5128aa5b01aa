<script setup lang="ts">
import { mdiClose } from "@mdi/js";
import { computed, nextTick, ref, watch } from "vue";
import SheetMenu from "../../../../ui/menu/SheetMenu.vue";
import { useMedia } from "../../useMedia";
import { say } from "../../../../words";

/** Pictures or a film of the shop, chosen from what it has. */
const props = defineProps<{ modelValue: string[]; count: number; film: boolean }>();
const emit = defineEmits<{ "update:modelValue": [names: string[]] }>();
const { media, load, problem } = useMedia();
const all = computed(() => media.value.filter((m) => m.film === props.film));
const chosen = computed(() =>
  props.modelValue.map(
    (name) => all.value.find((m) => m.name === name) ?? { name, alt: say("media-field-no-longer-there"), small: null },
  ),
);

/** Where nothing is chosen yet, whoever comes here wants to choose. */
const open = ref(props.modelValue.length === 0);
const shelf = ref<HTMLElement | null>(null);
watch(
  open,
  async (now) => {
    if (!now) return;
    await load();
    await nextTick();
    shelf.value?.querySelector("button")?.focus({ preventScroll: true });
  },
  { immediate: true },
);

function take(name: string): void {
  if (props.count === 1) emit("update:modelValue", [name]);
  else if (props.modelValue.includes(name)) drop(name);
  else if (props.modelValue.length < props.count) emit("update:modelValue", [...props.modelValue, name]);
}
function drop(name: string): void {
  emit(
    "update:modelValue",
    props.modelValue.filter((one) => one !== name),
  );
}
</script>

<template>
  <div class="media">
    <span v-for="one in chosen" :key="one.name" class="one">
      <img v-if="one.small" :src="one.small" :alt="one.alt" :title="one.alt" />
      <span v-else class="soft">{{ one.alt }}</span>
      <button type="button" :aria-label="say('media-field-remove', { alt: one.alt })" @click="drop(one.name)">
        <v-icon :icon="mdiClose" size="12" />
      </button>
    </span>
    <SheetMenu v-model="open" :once="count === 1">
      <template #button="{ menu }">
        <button v-bind="menu" type="button" class="quiet">
          {{
            chosen.length
              ? say("media-field-add-more", { count })
              : film
                ? say("media-field-choose-film")
                : say("media-field-choose-pictures", { count })
          }}
        </button>
      </template>
      <div ref="shelf" class="shelf">
        <button
          v-for="one in all"
          :key="one.name"
          type="button"
          :aria-pressed="modelValue.includes(one.name)"
          @click="take(one.name)"
        >
          <img v-if="one.small" :src="one.small" alt="" loading="lazy" />
          <span>{{ one.alt }}</span>
        </button>
        <p v-if="problem" class="signal" role="alert">{{ problem.message }}</p>
        <p v-else-if="all.length === 0" class="soft">{{ say("media-field-shop-has-none-yet") }}</p>
        <router-link class="more" to="/pictures" target="_blank">
          {{ film ? say("media-field-put-another-film") : say("media-field-put-other-pictures") }}
        </router-link>
      </div>
    </SheetMenu>
  </div>
</template>

<style scoped>
.media {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.one {
  position: relative;
}
.one img {
  display: block;
  width: 62px;
  height: 48px;
  border-radius: 5px;
  object-fit: cover;
}
.one button {
  position: absolute;
  top: -6px;
  right: -6px;
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 1px solid var(--line);
  border-radius: 50%;
  background: var(--field);
}
.shelf {
  display: grid;
  grid-template-columns: repeat(3, 120px);
  gap: 8px;
  max-height: 360px;
  padding: 10px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  box-shadow: var(--shadow);
}
.shelf button {
  display: grid;
  gap: 3px;
  align-content: start;
  padding: 4px;
  border: 1px solid transparent;
  border-radius: 6px;
  font-size: 11px;
  text-align: left;
}
.shelf button:hover,
.shelf [aria-pressed="true"] {
  border-color: var(--accent);
  background: var(--accent-weak);
}
.more {
  grid-column: 1 / -1;
  padding: 2px 4px;
  font-size: 12px;
}
.shelf img {
  width: 100%;
  aspect-ratio: 4 / 3;
  border-radius: 4px;
  object-fit: cover;
}
</style>
