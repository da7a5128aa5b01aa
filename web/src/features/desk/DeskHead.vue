<script setup lang="ts">
import { mdiChevronDown } from "@mdi/js";
import { computed, ref } from "vue";
import { useRouter } from "vue-router";
import { api, ask } from "../../api/client";
import UndoRedo from "../../ui/UndoRedo.vue";
import ActsMenu from "../../ui/menu/ActsMenu.vue";
import { onThe } from "../../ui/when";
import PublishDialog from "./PublishDialog.vue";
import { useDesk } from "./deskStore";
import BackDialog from "./BackDialog.vue";
import TemplateName from "./TemplateName.vue";
import { injectMoves } from "./keys";
import { DEVICES, type Situation } from "./types";
import { useScope } from "./useScope";
import { say } from "../../words";

const emit = defineEmits<{ open: [what: "starters" | "departures" | "history" | "preview"] }>();
defineProps<{ facts: Situation | null }>();
const desk = useDesk();
const scope = useScope();
const router = useRouter();
const moves = injectMoves();
const publishing = ref(false);
const goingBack = ref(false);
const count = computed(() => desk.drawnDraft?.changes ?? 0);
const reach = computed(() => {
  const { serves = 0, serves_types: types = 0, places = "" } = desk.view ?? {};
  if (places !== "") return say("desk-head-card-reaches", { places, serves });
  if (serves === 0)
    return desk.product?.sample ? say("desk-head-no-products-yet") : say("desk-head-reaches-no-product-yet");
  return say("desk-head-reaches-products-types", { serves, types });
});
const state = computed(() => {
  if (!desk.drawnDraft?.live) return say("desk-head-not-live-yet");
  if (count.value === 0) return say("desk-head-live-nothing-changed-since");
  return say("desk-head-draft-changes-not-live", { revision: desk.drawnDraft.revision, count: count.value });
});
/** Of steps that wait it isn't known yet what they change. */
const nothing = computed(() => count.value === 0 && desk.drawn?.asked.length === 0 && desk.drawnDraft?.live === true);
const own = computed(() => {
  const values = [
    ...desk.drawnOrder.map((l) => l.piece.values),
    ...(desk.drawnDraft?.layout.bands ?? []).map((b) => b.values),
  ];
  return values.reduce(
    (sum, v) => sum + [v?.wide, v?.tablet, v?.phone].reduce((n, m) => n + Object.keys(m ?? {}).length, 0),
    0,
  );
});
/** How many values single products and types keep different. */
const departed = computed(() =>
  (desk.drawnDraft?.layout.departures ?? []).reduce(
    (sum, one) => sum + DEVICES.reduce((n, device) => n + Object.keys(one.values[device] ?? {}).length, 0),
    0,
  ),
);
/** A template of its own for the product on the desk; it serves it once it is published. */
async function ownPage(): Promise<void> {
  const product = scope.product.value;
  if (!product || !desk.view) return;
  const body = { name: say("desk-head-own-page", { name: product.name }), from: desk.view.id, product: product.handle };
  const { data, error } = await ask(api.POST("/api/templates", { body }));
  if (error) desk.problem = error;
  if (data) await router.push({ name: "desk", params: { id: data.id }, query: { product: product.handle } });
}
const here = computed(() => [...new Set(desk.others.map((o) => o.name))]);

const FRAMES = [
  ["whole", say("desk-head-whole-shop-around")],
  ["slim", say("desk-head-slim-name-cart-only")],
  ["none", say("desk-head-none")],
] as const;
</script>

<template>
  <div class="head">
    <TemplateName />
    <router-link :to="desk.onCard ? '/cards' : '/templates'" class="reach">{{ reach }}</router-link>
    <button v-if="departed" class="chip differs" @click="emit('open', 'departures')">
      {{ say("desk-head-departures", { departed }) }}
    </button>
    <span class="chip" data-test="state">{{ state }}</span>
    <span v-if="desk.view?.planned" class="chip differs" :title="say('desk-head-shops-clocks')" data-test="planned">
      {{ say("desk-head-goes-live", { at: onThe(desk.view.planned.at) }) }}
      <button class="quiet" @click="desk.unplan">{{ say("desk-head-call-off") }}</button>
    </span>
    <span v-for="name in here" :key="name" class="chip here" data-test="here">{{
      say("desk-head-here", { name })
    }}</span>
    <span class="space" />
    <UndoRedo
      :can-undo="desk.drawnDraft?.can_undo ?? false"
      :can-redo="desk.drawnDraft?.can_redo ?? false"
      @undo="desk.undo"
      @redo="desk.redo"
    />
    <ActsMenu>
      <template #button="{ menu }">
        <v-btn v-bind="menu" :append-icon="mdiChevronDown">{{
          desk.onCard ? say("desk-head-card") : say("desk-head-page")
        }}</v-btn>
      </template>
      <v-list-item
        :title="say('desk-head-starters')"
        :subtitle="
          desk.onCard ? say('desk-head-ready-arrangements-card') : say('desk-head-ready-arrangements-whole-page')
        "
        @click="emit('open', 'starters')"
      />
      <v-list-item
        :title="say('desk-head-what-changes-where')"
        :subtitle="
          desk.onCard ? say('desk-head-cards-publishing-changes') : say('desk-head-pages-publishing-changes-before')
        "
        :to="{ name: 'changes', params: { id: desk.view?.id ?? 0 } }"
      />
      <v-list-item
        :title="say('desk-head-departures-b')"
        :subtitle="
          departed === 0 ? say('desk-head-no-product-type-keeps') : say('desk-head-kept-different', { departed })
        "
        @click="emit('open', 'departures')"
      />
      <v-list-item
        v-if="desk.view?.own_of"
        :title="say('desk-head-back-template')"
        :subtitle="say('desk-head-loses-page-own', { name: desk.view.own_of.name })"
        @click="goingBack = true"
      />
      <v-list-item
        v-else-if="!desk.onCard && scope.product.value && !scope.product.value.sample"
        :title="say('desk-head-page-own')"
        :subtitle="say('desk-head-apart-from-template', { name: scope.product.value.name })"
        @click="ownPage"
      />
      <v-list-item
        :title="say('desk-head-history')"
        :subtitle="desk.onCard ? say('desk-head-look-earlier-card') : say('desk-head-look-earlier-page-bring')"
        @click="emit('open', 'history')"
      />
      <v-list-item
        :title="say('desk-head-preview-link')"
        :subtitle="say('desk-head-someone-without-account')"
        @click="emit('open', 'preview')"
      />
      <template v-if="!desk.onCard">
        <v-divider />
        <v-list-subheader>{{ say("desk-head-frame-what-shop-surrounds") }}</v-list-subheader>
        <v-list-item
          v-for="[frame, name] in FRAMES"
          :key="frame"
          :title="name"
          :active="(desk.drawnDraft?.layout.frame ?? 'whole') === frame"
          @click="desk.edit({ op: 'set_frame', frame })"
        />
      </template>
      <v-divider />
      <v-list-item
        :title="desk.onCard ? say('desk-head-rejoin-whole-card') : say('desk-head-rejoin-whole-page')"
        :subtitle="own === 0 ? say('desk-head-nothing-differs-from-house') : say('desk-head-drops-values-own', { own })"
        :disabled="own === 0"
        @click="moves.rejoinAll"
      />
    </ActsMenu>
    <v-btn variant="flat" color="primary" :disabled="nothing" @click="publishing = true">
      {{ say("desk-head-publish") }}
    </v-btn>
    <PublishDialog v-model="publishing" :facts="facts" />
    <BackDialog
      v-if="goingBack && desk.view?.own_of"
      :template="desk.view"
      :product="desk.view.own_of"
      @close="goingBack = false"
    />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  min-height: 50px;
  padding: 4px 18px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
}
.space {
  flex: 1;
}
.reach {
  text-decoration-style: dotted;
}
.here {
  border-color: var(--accent-line);
  background: var(--accent-weak);
}
.head :deep(.v-btn--icon) {
  border: 0;
  background: none;
}
.head :deep(.v-btn--icon + .v-btn--icon) {
  margin-left: -12px;
}
</style>
