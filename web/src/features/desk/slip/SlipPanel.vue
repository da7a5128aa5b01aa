<script setup lang="ts">
import { mdiMagnify } from "@mdi/js";
import { computed, nextTick, ref, watch } from "vue";
import EmptyPlace from "../../../ui/notes/EmptyPlace.vue";
import { useDesk } from "../deskStore";
import { injectMoves } from "../keys";
import { DEVICES, type Device, type Rule, type Situation } from "../types";
import { useScope } from "../useScope";
import LongField from "./LongField.vue";
import ScopePick from "./ScopePick.vue";
import SlipEdge from "./SlipEdge.vue";
import SlipSheet from "./SlipSheet.vue";
import SlipTools from "./SlipTools.vue";
import { useSlip } from "./useSlip";
import TextInput from "../../../ui/fields/TextInput.vue";
import { say } from "../../../words";

/** The slip of what is chosen: a job ticket, one line a setting, every screen beside the others. */
const props = defineProps<{ facts: Situation | null; tablet: boolean }>();
const finding = defineModel<boolean>("finding", { required: true });
const emit = defineEmits<{ out: [] }>();
const desk = useDesk();
const moves = injectMoves();
const { product } = useScope();
const { slip, before, unseen } = useSlip();
const sheet = ref<InstanceType<typeof SlipSheet> | null>(null);

/** Tablets have a column of their own while they are looked at, or where something is set for them. */
const devices = computed((): Device[] => {
  const own = slip.value?.fields.some((field) => field.tablet?.source.device === "tablet");
  return props.tablet || own ? DEVICES : ["wide", "phone"];
});
const verdict = computed(() => {
  const target = JSON.stringify(slip.value?.target);
  return props.facts?.verdicts.find((v) => JSON.stringify(v.target) === target) ?? null;
});
const linkedBand = computed(() => (moves.line.value?.band ?? moves.band.value)?.kept != null);
const tooSmall = computed(
  () => props.facts?.weight.too_small.filter((s) => s.piece === moves.line.value?.piece.id) ?? [],
);
/** Where what the piece shows of the product is changed. */
const TOLD = ["title", "summary", "details", "facts"];
const ofProduct = computed(() => {
  const kind = moves.line.value?.piece.kind;
  if (!kind || !desk.look || product.value?.sample) return null;
  const params = { handle: desk.look.product };
  if (TOLD.includes(kind)) return { says: say("slip-panel-what-product-says-here"), to: { name: "texts", params } };
  if (kind !== "gallery") return null;
  return { says: say("slip-panel-pictures-product"), to: { name: "pictures", params } };
});

// Finding a setting by its name, its part or what it can be.
const typed = ref("");
const field = ref<InstanceType<typeof TextInput> | null>(null);
watch(finding, async (wanted) => {
  typed.value = "";
  await nextTick();
  if (wanted) field.value?.focus();
});
watch(
  () => JSON.stringify(desk.chosen),
  () => (finding.value = false),
);

const rule = computed(() => slip.value?.fields.find((one) => one.shape.shape === "rule") ?? null);
/** Whether the conditions are open; they close when something else is chosen. */
const conditions = ref(false);
watch(
  () => JSON.stringify(slip.value?.target),
  () => (conditions.value = false),
);
const ruleNow = computed(() => {
  const of = rule.value;
  const waits = of && slip.value ? moves.valuesOf(slip.value.target)?.wide?.[of.key] : undefined;
  return (waits ?? of?.wide.value) as Rule;
});
function appears(to: Rule | null): void {
  if (rule.value && slip.value) void moves.set(slip.value.target, rule.value.key, "wide", to);
}
/** Out of the settings: first out of what was found, then back to the order. */
function out(): void {
  if (!finding.value) return emit("out");
  finding.value = false;
}
/** Into the settings, or to writing its words; into those that are still on their way as soon as they are here. */
const entering = ref<{ writes: boolean } | null>(null);
async function enter(writes = false): Promise<void> {
  entering.value = before.value ? { writes } : null;
  if (before.value) return;
  await nextTick();
  if (writes) sheet.value?.write();
  else sheet.value?.enter();
}
watch(before, (now) => !now && entering.value && void enter(entering.value.writes), { flush: "post" });
watch(
  () => JSON.stringify(desk.chosen),
  () => (entering.value = null),
);
defineExpose({ enter });
</script>

<template>
  <!-- Until the slip of what is chosen comes, nothing can be set on the one before, which stands under the other's name. -->
  <div class="slip" role="region" :aria-label="say('slip-panel-slip')" :inert="slip !== null && before">
    <SlipEdge />
    <template v-if="slip">
      <div class="title">
        <h2>{{ moves.title.value }}</h2>
        <button
          v-if="rule"
          class="quiet appears"
          :class="{ signal: verdict && !verdict.holds }"
          :aria-expanded="conditions"
          :title="
            verdict && !verdict.holds
              ? say('slip-panel-not-here', { why: verdict.why })
              : say('slip-panel-when-appears')
          "
          @click="conditions = !conditions"
        >
          {{ say("slip-panel-appears", { says: rule.wide.says }) }}
        </button>
        <button
          class="tool"
          :title="say('slip-panel-find-setting-f')"
          :aria-label="say('slip-panel-find-setting')"
          :aria-pressed="finding"
          @click="finding = !finding"
        >
          <v-icon :icon="mdiMagnify" size="16" />
        </button>
        <SlipTools :slip="slip" />
      </div>
      <TextInput
        v-if="finding"
        ref="field"
        v-model="typed"
        class="find"
        :placeholder="say('slip-panel-find-setting')"
        :aria-label="say('slip-panel-find-setting')"
        @keydown.enter.prevent.stop="sheet?.enter()"
        @keydown.down.prevent.stop="sheet?.enter()"
        @keydown.esc.stop="
          finding = false;
          sheet?.enter();
        "
      />
      <p v-if="linkedBand" class="soft note">{{ say("slip-panel-linked-what-changes-here") }}</p>
      <ScopePick />
      <div v-if="conditions && rule" class="conditions">
        <LongField :field="rule" :now="{ value: ruleNow }" :verdict="verdict" @set="(to) => appears(to as Rule)" />
        <button v-if="rule.wide.own" class="quiet" @click="appears(null)">{{ say("slip-panel-rejoin") }}</button>
      </div>
      <p v-for="small in tooSmall" :key="small.why" class="signal note">{{ small.why }}</p>
      <!-- Another piece has a sheet of its own: what was being typed on this one is still kept for this one. -->
      <SlipSheet
        ref="sheet"
        :key="JSON.stringify(slip.target)"
        :slip="slip"
        :devices="devices"
        :wanted="finding ? typed : ''"
        :verdict="verdict"
        @out="out"
      >
        <router-link v-if="ofProduct" class="quiet there" :to="ofProduct.to">{{ ofProduct.says }}</router-link>
      </SlipSheet>
    </template>
    <EmptyPlace v-else class="none" role="status">
      {{ unseen ? say("slip-panel-server-doesnt-answer-what") : say("slip-panel-choose-line-order-point") }}
    </EmptyPlace>
  </div>
</template>

<style scoped>
.slip {
  position: relative;
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  border-top: 1px solid var(--line);
  background: var(--sheet);
  box-shadow: 0 -6px 14px -12px var(--rim);
}
.title {
  display: flex;
  align-items: center;
  gap: 2px;
  padding: 9px 8px 2px 14px;
}
.title h2 {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.appears {
  flex: 1 100 auto;
  min-width: 52px;
  overflow: hidden;
  padding-left: 6px;
  font-size: 12px;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.find {
  margin: 1px 14px 4px;
  padding: 3px 8px;
  border: 1px solid var(--accent);
  border-radius: 6px;
  background: var(--sheet);
}
.note {
  margin: 0;
  padding: 0 14px 3px;
  font-size: 11px;
}
.conditions {
  padding: 4px 14px 8px;
  border-bottom: 1px solid var(--line);
}
.there {
  display: inline-block;
  margin: 5px 10px 0;
  font-size: 12px;
}
</style>
