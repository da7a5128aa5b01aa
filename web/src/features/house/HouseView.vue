<script setup lang="ts">
import { computed, ref, watch } from "vue";
import DraftHead from "../../ui/DraftHead.vue";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import HouseTexts from "./HouseTexts.vue";
import { ratio } from "../../ui/ratio";
import TokenField from "./TokenField.vue";
import { type Token, useHouse } from "./useHouse";
import { say } from "../../words";

const { view, sample, problem, overtaken, pending, weak, load, set, undo, redo, publish, keepLook, removeLook } =
  useHouse();
const GROUPS: [Token["group"], string, string][] = [
  ["type", say("house-view-type"), say("house-view-families-eight-steps-from")],
  ["colours", say("house-view-colours"), say("house-view-few-colours-each-one")],
  ["space", say("house-view-space-shape"), say("house-view-nine-steps-between-things")],
  ["buttons", say("house-view-buttons"), say("house-view-they-under-pointer-pressed")],
  ["fields", say("house-view-fields"), say("house-view-quantity-lists-checkout")],
  ["choices", say("house-view-choices"), say("house-view-swatches-buttons-radio-lists")],
  ["marks", say("house-view-marks"), say("house-view-what-said-picture-sale")],
  ["texts", say("house-view-texts"), ""],
];
const chosen = ref<Token["group"]>("type");
// What is being set is in sight.
watch(chosen, (key) => {
  frame.value?.contentDocument?.getElementById(`sample-${key}`)?.scrollIntoView({ block: "center" });
});
const group = computed(() => GROUPS.find(([key]) => key === chosen.value));
const tokens = computed(() => view.value?.tokens.filter((t) => t.group === chosen.value) ?? []);

// The sample's frame is loaded once; after that only its styles change, so that nothing flickers.
const frame = ref<HTMLIFrameElement | null>(null);
const first = ref<string | null>(null);
watch(sample, (html) => {
  if (html === null) return;
  const page = frame.value?.contentDocument;
  if (!first.value || !page) first.value = html;
  else {
    const next = new DOMParser().parseFromString(html, "text/html");
    for (const style of page.querySelectorAll("head style[id]")) {
      style.textContent = next.getElementById(style.id)?.textContent ?? "";
    }
  }
});
</script>

<template>
  <main class="house">
    <DraftHead
      :title="say('house-view-house-style')"
      draft="house"
      :revision="view?.revision ?? 0"
      :changes="view?.changes_not_live ?? 0"
      :can-undo="view?.can_undo ?? false"
      :can-redo="view?.can_redo ?? false"
      :waiting="pending"
      :where="{ name: 'house-changes' }"
      @undo="undo"
      @redo="redo"
      @changed="load"
      @publish="publish"
    />
    <ProblemNote class="problem" :problem="problem" :overtaken="overtaken" @retry="load" />
    <div v-if="view" class="parts" :class="{ texts: chosen === 'texts' }">
      <nav :aria-label="say('house-view-parts-house-style')">
        <button v-for="[key, name] in GROUPS" :key="key" :aria-pressed="key === chosen" @click="chosen = key">
          {{ name }}
          <small v-if="view.tokens.some((t) => t.group === key && t.own)" class="signal">
            {{ say("house-view-own", { count: view.tokens.filter((t) => t.group === key && t.own).length }) }}
          </small>
        </button>
      </nav>
      <HouseTexts
        v-if="chosen === 'texts'"
        :revision="view.revision"
        :set="set"
        :keep-look="keepLook"
        :remove-look="removeLook"
      />
      <section v-if="chosen !== 'texts'" class="tokens" :aria-label="group?.[1]">
        <h2>{{ group?.[1] }}</h2>
        <p class="soft">{{ group?.[2] }}</p>
        <TokenField v-for="token in tokens" :key="token.key" :token="token" :set="(value) => set(token.key, value)" />
      </section>
      <section v-if="chosen !== 'texts'" class="sample" :aria-label="say('house-view-living-sample')">
        <iframe v-if="first" ref="frame" :srcdoc="first" :title="say('house-view-living-sample')" />
      </section>
      <section v-if="chosen !== 'texts'" class="contrasts" :aria-label="say('house-view-contrast')">
        <h2>{{ say("house-view-contrast") }}</h2>
        <p :class="weak.length ? 'signal' : 'soft'">
          {{
            weak.length
              ? say("house-view-pairs-too-weak-read", { count: weak.length })
              : say("house-view-every-pair-can-read")
          }}
        </p>
        <ul>
          <li v-for="pair in view.contrasts" :key="pair.what">
            <span
              v-if="pair.needed < 450"
              class="swatch shape"
              :style="{ background: pair.under, borderColor: pair.over }"
            />
            <span v-else class="swatch" :style="{ background: pair.under, color: pair.over }">{{
              say("house-view-aa")
            }}</span>
            <span>{{ pair.what }}</span>
            <b :class="{ signal: !pair.holds }">{{ say("house-view-to-one", { is: ratio(pair.hundredths) }) }}</b>
            <small v-if="!pair.holds" class="signal">{{
              say("house-view-needs", { needed: say("house-view-to-one", { is: ratio(pair.needed) }) })
            }}</small>
          </li>
        </ul>
      </section>
    </div>
    <ProgressLine v-else />
  </main>
</template>

<style scoped>
.house {
  display: flex;
  flex-direction: column;
  height: calc(100dvh - var(--top) - var(--foot));
  min-height: 560px;
}
.problem {
  margin: 8px 14px;
}
.parts {
  display: grid;
  flex: 1;
  grid-template-columns: 140px 364px minmax(0, 1fr) 250px;
  min-height: 0;
}
.parts.texts {
  grid-template-columns: 140px 270px 350px minmax(0, 1fr);
}
nav {
  display: grid;
  align-content: start;
  padding: 12px 0;
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
nav button {
  display: flex;
  justify-content: space-between;
  gap: 6px;
  padding: 8px 14px;
  text-align: left;
}
nav [aria-pressed="true"] {
  background: var(--accent-weak);
  box-shadow: inset 3px 0 0 var(--accent);
  font-weight: 600;
}
.tokens,
.contrasts {
  padding: 14px 16px;
  overflow-y: auto;
  background: var(--sheet);
}
.tokens {
  border-right: 1px solid var(--line);
}
.tokens p,
.contrasts p {
  margin: 2px 0 10px;
}
.sample {
  min-width: 0;
  padding: 20px;
}
iframe {
  width: 100%;
  height: 100%;
  border: 0;
  background: var(--field);
  box-shadow: var(--shadow);
}
.contrasts {
  border-left: 1px solid var(--line);
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto;
  gap: 0 8px;
  align-items: center;
  padding: 3px 0;
}
li small {
  grid-column: 2 / 4;
}
.shape {
  height: 24px;
  border-width: 2px !important;
}
.swatch {
  padding: 2px 0;
  border: 1px solid var(--line);
  border-radius: 4px;
  font-weight: 600;
  text-align: center;
}
@media (max-width: 1100px) {
  .parts.texts {
    grid-template-columns: 120px 220px 320px minmax(0, 1fr);
  }
  .parts {
    grid-template-columns: 120px 340px minmax(0, 1fr);
  }
  .contrasts {
    display: none;
  }
}
@media (max-width: 760px) {
  .parts.texts {
    grid-template-columns: 96px minmax(0, 1fr) minmax(0, 1.2fr);
  }
  .parts.texts :deep(.sample) {
    display: none;
  }
}
</style>
