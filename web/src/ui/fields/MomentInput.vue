<script setup lang="ts">
import { mdiCalendarBlankOutline } from "@mdi/js";
import { computed, nextTick, ref, useId, watch } from "vue";
import SheetMenu from "../menu/SheetMenu.vue";
import { momentSays, readMoment } from "./moment";
import { say } from "../../words";

/** A day, or a time of a day by the shop's clocks: typed as one writes it, or picked from a calendar. */
defineOptions({ inheritAttrs: false });
const kept = defineModel<string>({ required: true });
const props = defineProps<{
  /** Whether it is a day, without a time. */
  day?: boolean;
  /** What stands there while there is none. */
  none?: string;
}>();
const field = ref<HTMLInputElement | null>(null);
const typed = ref("");
const wrong = ref("");
const open = ref(false);
const id = useId();
watch(
  kept,
  (now) => {
    if (read() === now) return;
    typed.value = momentSays(now);
    wrong.value = "";
  },
  { immediate: true },
);
watch(wrong, (why) => field.value?.setCustomValidity(why));

/** What is typed, as it is kept; nothing where it can't be read. */
function read(): string | null {
  if (typed.value.trim() === "") return "";
  const one = readMoment(typed.value, navigator.language, new Date());
  return one && (props.day ? one.day : `${one.day}T${one.time}`);
}
/** While it is typed it is taken as soon as it can be read. */
function follow(): void {
  wrong.value = "";
  const now = read();
  if (now !== null) kept.value = now;
}
/** Once the field is left it is written out, or what is wrong is told. */
function take(): void {
  follow();
  if (read() !== null) typed.value = momentSays(kept.value);
  else
    wrong.value = say("moment-input-write-please", { day: momentSays(props.day ? "2027-03-20" : "2027-03-20T08:00") });
}
const picked = computed({
  get: () => (kept.value ? new Date(`${kept.value.slice(0, 10)}T00:00`) : null),
  set: async (date) => {
    if (!(date instanceof Date)) return;
    const day = [date.getFullYear(), date.getMonth() + 1, date.getDate()]
      .map((n) => String(n).padStart(2, "0"))
      .join("-");
    kept.value = props.day ? day : `${day}T${kept.value.slice(11) || "00:00"}`;
    open.value = false;
    await nextTick();
    field.value?.focus();
  },
});
defineExpose({ focus: () => field.value?.focus() });
</script>

<template>
  <span class="moment">
    <span class="line">
      <input
        ref="field"
        v-model="typed"
        class="control"
        autocomplete="off"
        :title="day ? undefined : say('moment-input-shops-clocks')"
        :placeholder="none ?? (day ? say('moment-input-day') : say('moment-input-day-time'))"
        :aria-invalid="wrong !== '' || undefined"
        :aria-describedby="wrong ? id : undefined"
        v-bind="$attrs"
        @input="follow"
        @change="take"
        @keydown.enter="take"
      />
      <SheetMenu v-model="open">
        <template #button="{ menu }">
          <button
            v-bind="menu"
            type="button"
            class="calendar"
            :aria-label="say('moment-input-pick-day')"
            :title="say('moment-input-pick-day')"
          >
            <v-icon :icon="mdiCalendarBlankOutline" size="16" />
          </button>
        </template>
        <v-date-picker v-model="picked" first-day-of-week="1" hide-header color="primary" />
      </SheetMenu>
    </span>
    <span v-if="wrong" :id="id" class="signal" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.moment {
  display: grid;
  gap: 2px;
  min-width: 0;
}
.line {
  position: relative;
  display: block;
}
.control {
  width: 100%;
  min-width: 186px;
  padding-right: 30px;
}
.calendar {
  position: absolute;
  top: 2px;
  right: 2px;
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border-radius: 4px;
  color: var(--soft);
}
.calendar:hover {
  color: var(--ink);
}
</style>
