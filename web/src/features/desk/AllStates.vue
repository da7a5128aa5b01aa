<script setup lang="ts">
import { computed, ref, watch } from "vue";
import PageThumb from "../../ui/thumb/PageThumb.vue";
import { seenOf, together } from "./alike";
import { useDesk } from "./deskStore";
import { type Look, SCREENS, pieceOf } from "./types";
import type { SituationControl } from "./useSituation";
import OneOf from "../../ui/fields/OneOf.vue";
import { say } from "../../words";

/** One page, or the chosen piece alone, in every state that a shopper can meet: each can be put on the desk. */
const props = defineProps<{ situation: SituationControl }>();
const emit = defineEmits<{ look: [] }>();
const desk = useDesk();
const piece = computed(() => pieceOf(desk.chosen));
const alone = ref(true);
const only = computed(() => (alone.value ? piece.value : null));
const label = computed(() => {
  const kind = desk.order.find((l) => l.piece.id === piece.value)?.piece.kind;
  return kind ? (desk.labels.get(kind) ?? "") : "";
});

/** What the catalogue says of it; the visit, the day and the prices are those of the desk, unless a state says otherwise. */
const ITSELF: Partial<Look> = { stock: "as_it_is", sale: "as_it_is", coming_soon: false };
const STATES: { name: string; look: Partial<Look> }[] = [
  { name: say("all-states-as-it-is"), look: ITSELF },
  { name: say("all-states-sale"), look: { ...ITSELF, sale: "on" } },
  { name: say("all-states-not-sale"), look: { ...ITSELF, sale: "off" } },
  { name: say("all-states-plenty-left"), look: { ...ITSELF, stock: "plenty" } },
  { name: say("all-states-few-left"), look: { ...ITSELF, stock: "few" } },
  { name: say("all-states-sold-out"), look: { ...ITSELF, stock: "none" } },
  { name: say("all-states-coming-soon"), look: { ...ITSELF, coming_soon: true } },
  { name: say("all-states-nothing-chosen"), look: { ...ITSELF, choice: "" } },
  { name: say("all-states-cart-already"), look: { ...ITSELF, cart: "this" } },
  { name: say("all-states-ten"), look: { ...ITSELF, quantity: 10, stock: "plenty" } },
  { name: say("all-states-german"), look: { ...ITSELF, language: "de" } },
];

function address(look: Partial<Look>): string | null {
  const at = props.situation.address(look, only.value ? { only: only.value } : {});
  return at && `${at}&draft=${desk.draft?.revision ?? 0}`;
}

/** What can be seen of the chosen piece in each state; those in which it is the same stand as one. */
const seen = ref(new Map<string, string>());
watch(only, () => (seen.value = new Map()));
const groups = computed(() => together(STATES, (state) => (only.value ? seen.value.get(state.name) : undefined)));
/** The states that stand here as one; none where this one stands with an earlier one. */
function groupOf(name: string) {
  return groups.value.find(([first]) => first?.name === name) ?? [];
}

function put(look: Partial<Look>): void {
  props.situation.take(look);
  emit("look");
}
</script>

<template>
  <div class="all">
    <div class="head">
      <OneOf
        v-model="alone"
        :options="[
          {
            value: true,
            says: desk.onCard
              ? say('all-states-card-alone')
              : say('all-states-alone', { label: label || say('all-states-chosen-piece') }),
          },
          { value: false, says: desk.onCard ? say('all-states-listing') : say('all-states-whole-page') },
        ]"
        :label="say('all-states-what-shown')"
        :off="!piece"
      />
      <span class="soft" role="status">
        {{
          say("all-states-click-puts-state-desk", {
            only:
              only && groups.length < STATES.length
                ? say("all-states-states-looks-ways", { count: STATES.length, count2: groups.length })
                : "",
          })
        }}
      </span>
    </div>
    <ul :class="{ alone: only }">
      <li v-for="state in STATES" v-show="groupOf(state.name).length" :key="state.name">
        <span class="names">
          <button v-for="one in groupOf(state.name)" :key="one.name" @click="put(one.look)">{{ one.name }}</button>
        </span>
        <button class="small" :aria-label="say('all-states-put-desk', { name: state.name })" @click="put(state.look)">
          <PageThumb
            :address="address(state.look)"
            :name="say('all-states-drawn-small', { name: state.name })"
            :width="only ? 520 : SCREENS.wide.width"
            :height="only ? 520 : 1000"
            :fit="only !== null"
            @drawn="(html) => seen.set(state.name, seenOf(html))"
          />
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped src="./thumbs.css"></style>
<style scoped>
.names {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  padding-bottom: 2px;
}
.names button {
  width: auto;
  min-height: 24px;
  font-weight: 600;
}
.names button:hover {
  color: var(--accent);
}
</style>
