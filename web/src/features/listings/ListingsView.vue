<script setup lang="ts">
import { computed, ref } from "vue";
import { useRouter } from "vue-router";
import DraftHead from "../../ui/DraftHead.vue";
import SearchField from "../../ui/fields/SearchField.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import PageThumb from "../../ui/thumb/PageThumb.vue";
import { say } from "../../words";
import ListingForm from "./ListingForm.vue";
import { type ListingView, useListings } from "./useListings";

/** What stands over each listing, in which order, and what comes first; beside it as shoppers will see it. */
const props = defineProps<{ of: string }>();
const router = useRouter();
const control = useListings();
const { view, listings, drawn, problem, overtaken, pending, load, undo, redo, publish } = control;

const FEW = 12;
const typed = ref("");
const nameOf = (one: ListingView): string => one.name || say("listings-view-everything");
const found = (what: ListingView["what"]): ListingView[] => {
  const words = typed.value.trim().toLowerCase();
  return listings.value.filter((one) => one.what === what && nameOf(one).toLowerCase().includes(words));
};
const groups = computed(() => [
  { name: say("listings-view-shop"), all: found("all") },
  { name: say("listings-view-types"), all: found("type") },
  { name: say("listings-view-tags"), all: found("tag") },
]);
const open = computed(() => listings.value.find((one) => one.of === props.of) ?? listings.value[0]);
const sample = computed(() =>
  open.value ? `/api/listings/sample?of=${encodeURIComponent(open.value.of)}&drawn=${drawn.value}` : null,
);
</script>

<template>
  <main class="listings">
    <DraftHead
      :title="say('listings-listings')"
      draft="listings"
      :revision="view?.revision ?? 0"
      :changes="view?.changes_not_live ?? 0"
      :can-undo="view?.can_undo ?? false"
      :can-redo="view?.can_redo ?? false"
      :waiting="pending"
      @undo="undo"
      @redo="redo"
      @changed="load"
      @publish="publish"
    />
    <ProblemNote class="problem" :problem="problem" :overtaken="overtaken" @retry="load" />
    <div v-if="view && open" class="parts">
      <nav :aria-label="say('listings-listings')">
        <SearchField v-if="listings.length > FEW" v-model="typed" :label="say('listings-view-find')" />
        <template v-for="group in groups" :key="group.name">
          <h2 v-if="group.all.length" class="soft">{{ group.name }}</h2>
          <button
            v-for="one in group.all"
            :key="one.of"
            type="button"
            :aria-current="one.of === open.of"
            @click="router.replace({ query: { of: one.of } })"
          >
            <span class="name">{{ nameOf(one) }}</span>
            <small v-if="one.own" class="dot" :title="say('listings-view-own')">
              <span class="unseen">{{ say("listings-view-own") }}</span>
            </small>
            <small class="soft">{{ one.products }}</small>
          </button>
        </template>
        <p v-if="groups.every((group) => group.all.length === 0)" class="soft none">
          {{ say("listings-view-none-found") }}
        </p>
      </nav>
      <ListingForm :key="open.of" :listing="open" :called="nameOf(open)" :control="control" />
      <section class="samples" tabindex="0" :aria-label="say('listings-view-as-seen', { name: nameOf(open) })">
        <div>
          <span class="soft">{{ say("listings-view-wide") }}</span>
          <PageThumb :address="sample" :name="say('listings-view-wide')" :width="1280" :height="1800" />
        </div>
        <div>
          <span class="soft">{{ say("listings-view-phone") }}</span>
          <PageThumb :address="sample" :name="say('listings-view-phone')" :width="390" :height="1800" />
        </div>
      </section>
    </div>
    <ProgressLine v-else-if="!problem" />
  </main>
</template>

<style scoped>
.listings {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - var(--top) - var(--foot));
  min-height: 480px;
}
.problem {
  margin: 8px 14px;
}
.parts {
  display: grid;
  flex: 1;
  grid-template-columns: 210px 340px minmax(0, 1fr);
  min-height: 0;
}
nav {
  padding: 10px 0 20px;
  overflow-y: auto;
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
nav :deep(.search) {
  margin: 0 10px 4px;
}
nav h2 {
  margin: 10px 14px 2px;
  font-size: 12px;
  font-weight: 400;
}
nav button {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 30px;
  padding: 3px 14px;
  text-align: left;
}
nav button:hover {
  background: var(--head);
}
nav [aria-current="true"] {
  background: var(--accent-weak);
  box-shadow: inset 3px 0 0 var(--accent);
  font-weight: 600;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.none {
  padding: 8px 14px;
}
.samples {
  display: grid;
  grid-template-columns: minmax(0, 1280fr) minmax(0, 390fr);
  gap: 20px;
  align-items: start;
  padding: 12px 20px 24px;
  overflow-y: auto;
}
.samples > div {
  display: grid;
  gap: 4px;
}
.samples :deep(.thumb) {
  box-shadow: var(--shadow);
}
@media (max-width: 900px) {
  .parts {
    grid-template-columns: 180px minmax(0, 1fr);
    overflow-y: auto;
  }
  .samples {
    grid-column: 1 / -1;
  }
}
</style>
