<script setup lang="ts">
import { mdiDeleteOutline, mdiSwapHorizontal } from "@mdi/js";
import { computed, ref } from "vue";
import { useDraftFields } from "../../session/useDraftField";
import FocusPoint from "./FocusPoint.vue";
import type { PicturesControl } from "./usePictures";
import LongText from "../../ui/fields/LongText.vue";
import FilePick from "../../ui/fields/FilePick.vue";
import { say } from "../../words";

const props = defineProps<{ control: PicturesControl }>();
const emit = defineEmits<{ replace: [file: File, id: number]; remove: [] }>();
const file = ref<InstanceType<typeof FilePick> | null>(null);
const { one, many, view } = props.control;
const fields = useDraftFields(
  () => one.value?.id,
  () => ({ alt: one.value?.alt ?? "" }),
);
const { typed } = fields;

function keepAlt(): void {
  const id = one.value?.id;
  if (id !== undefined) void fields.keep("alt", (alt) => props.control.change([id], { alt }));
}

/** Whether all chosen pictures have a value, some, or none. */
function has(value: number): boolean | "mixed" {
  const count = many.value.filter((p) => p.values.includes(value)).length;
  return count === 0 ? false : count === many.value.length ? true : "mixed";
}
function toggle(value: number): void {
  const wanted = has(value) !== true;
  // One request where all chosen ones come to the same, as after an upload; otherwise each keeps its other values.
  const groups = new Map<string, number[]>();
  for (const picture of many.value) {
    const rest = picture.values.filter((v) => v !== value);
    const key = JSON.stringify(wanted ? [...rest, value] : rest);
    groups.set(key, [...(groups.get(key) ?? []), picture.id]);
  }
  for (const [values, ids] of groups) void props.control.change(ids, { values: JSON.parse(values) as number[] });
}

const facts = computed(() => {
  const picture = one.value;
  if (!picture) return "";
  const size = picture.width
    ? say("picture-panel-largest-size-made", { width: picture.width, height: picture.height })
    : say("picture-panel-sizes-being-made");
  return [
    picture.film ? say("picture-panel-film-beginning") : "",
    size,
    picture.cut_out ? say("picture-panel-cut-out") : "",
  ]
    .filter(Boolean)
    .join(" · ");
});

function replaced([wanted]: File[]): void {
  if (wanted && one.value) emit("replace", wanted, one.value.id);
}
</script>

<template>
  <aside class="panel" :aria-label="say('picture-panel-chosen-pictures')">
    <template v-if="many.length > 0">
      <div class="title">
        <h2>
          {{
            one ? one.file_name || say("picture-panel-picture") : say("picture-panel-pictures", { count: many.length })
          }}
        </h2>
        <button
          v-if="one"
          class="tool"
          :title="say('picture-panel-put-another-file-place')"
          :aria-label="say('picture-panel-replace-picture')"
          @click="file?.open()"
        >
          <v-icon :icon="mdiSwapHorizontal" size="17" />
        </button>
        <button
          class="tool"
          :title="say('picture-panel-remove')"
          :aria-label="say('picture-panel-remove-what-chosen')"
          @click="$emit('remove')"
        >
          <v-icon :icon="mdiDeleteOutline" size="17" />
        </button>
        <FilePick ref="file" accept="image/*" @picked="replaced" />
      </div>
      <template v-if="one">
        <FocusPoint :picture="one" @set="(focus) => control.change([one?.id ?? 0], { focus })" />
        <small class="soft">{{ say("picture-panel-ring-stays-sight-where", { facts }) }}</small>
        <label class="alt">
          <span class="soft">{{ say("picture-panel-what-shows-those-who") }}</span>
          <LongText
            v-model="typed.alt"
            rows="2"
            maxlength="300"
            :placeholder="
              view?.name
                ? say('picture-panel-seen-from-side', { name: view.name })
                : say('picture-panel-workshop-morning')
            "
            @blur="keepAlt"
            @keydown.enter.prevent="keepAlt"
          />
        </label>
      </template>
      <fieldset v-for="option in view?.options ?? []" :key="option.name">
        <legend>{{ option.name }}</legend>
        <button
          v-for="value in option.values"
          :key="value.id"
          class="value"
          :aria-pressed="has(value.id)"
          @click="toggle(value.id)"
        >
          {{ value.name }}
        </button>
      </fieldset>
      <small v-if="view?.options.length" class="soft">{{ say("picture-panel-picture-without-values-belongs") }}</small>
    </template>
    <p v-else class="soft">
      {{
        say("picture-panel-choose-picture-say-what", {
          count: view?.options.length ? say("picture-panel-which-choices-belongs") : "",
        })
      }}
    </p>
  </aside>
</template>

<style scoped>
.panel {
  display: grid;
  align-content: start;
  gap: 10px;
  padding: 12px 14px 24px;
  overflow-y: auto;
  border-left: 1px solid var(--line);
  background: var(--field);
}
.title {
  display: flex;
  align-items: center;
  gap: 2px;
}
.title h2 {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.alt {
  display: grid;
  gap: 3px;
}
.alt span,
legend {
  font-size: 12px;
}
textarea:focus-visible {
  border-color: var(--accent);
}
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  margin-bottom: 3px;
  padding: 0;
  color: var(--soft);
}
.value {
  padding: 3px 10px;
  border: 1px solid var(--line);
  border-radius: 99px;
  font-size: 12px;
}
.value[aria-pressed="true"] {
  border-color: var(--accent);
  background: var(--accent);
  color: var(--on-accent);
}
.value[aria-pressed="mixed"] {
  border-color: var(--accent);
  background: var(--accent-weak);
}
</style>
