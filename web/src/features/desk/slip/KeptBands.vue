<script setup lang="ts">
import { mdiLinkVariant, mdiPlus } from "@mdi/js";
import { computed, ref } from "vue";
import ActsMenu from "../../../ui/menu/ActsMenu.vue";
import SheetMenu from "../../../ui/menu/SheetMenu.vue";
import { useDesk } from "../deskStore";
import { injectMoves } from "../keys";
import { newId } from "../order";
import { useKeptBands } from "../useKeptBands";
import type { Band } from "../types";
import TextInput from "../../../ui/fields/TextInput.vue";
import { useNewName } from "../../../ui/useNewName";
import { say } from "../../../words";

/** A band below the chosen one, new or a kept one; and keeping the chosen one for other templates. */
const props = defineProps<{ band: Band }>();
const desk = useDesk();
const moves = injectMoves();
const { kept, here, load, put, chooseAt } = useKeptBands();
const keeping = ref(false);
const { name, add: keep } = useNewName(keepAs);

const linked = computed(() => kept.value.find((one) => one.id === props.band.kept) ?? null);
/** A linked band whose name hasn't been read yet isn't offered as one that could be kept. */
const unread = computed(() => typeof props.band.kept === "number" && linked.value === null);
const others = computed(() => (linked.value?.used ?? []).filter((one) => one !== desk.view?.name));
const index = computed(() => (desk.draft?.layout.bands ?? []).findIndex((band) => band.id === props.band.id));

async function keepAs(wanted: string): Promise<boolean> {
  const at = index.value;
  keeping.value = false;
  const taken = await desk.keepBand(props.band.id, wanted);
  chooseAt(at);
  await load();
  return taken;
}
async function unlink(): Promise<void> {
  const at = index.value;
  await desk.unlinkBand(props.band.id, newId("b"));
  chooseAt(at);
  await load();
}
</script>

<template>
  <ActsMenu>
    <template #button="{ menu }">
      <button
        v-bind="menu"
        class="tool"
        :title="say('kept-bands-add-band-below')"
        :aria-label="say('kept-bands-add-band-below')"
      >
        <v-icon :icon="mdiPlus" size="16" />
      </button>
    </template>
    <v-list-item :title="say('kept-bands-whole-width')" @click="moves.addBand([12])" />
    <v-list-item :title="say('kept-bands-two-columns-7-5-n')" @click="moves.addBand([7, 5])" />
    <v-list-item :title="say('kept-bands-two-columns-6-6-n')" @click="moves.addBand([6, 6])" />
    <v-list-item :title="say('kept-bands-three-columns')" @click="moves.addBand([4, 4, 4])" />
    <template v-if="kept.length">
      <v-divider />
      <v-list-subheader>{{ say("kept-bands-kept-bands") }}</v-list-subheader>
      <template v-for="one in kept" :key="one.id">
        <v-list-item
          v-if="!here.has(one.id)"
          :title="say('kept-bands-linked', { name: one.name })"
          :subtitle="
            one.used.length ? say('kept-bands-same', { used: one.used.join(', ') }) : say('kept-bands-no-template-now')
          "
          @click="put(one, band.id, true)"
        />
        <v-list-item :title="say('kept-bands-copy', { name: one.name })" @click="put(one, band.id, false)" />
      </template>
    </template>
  </ActsMenu>
  <SheetMenu v-model="keeping" :label="say('kept-bands-kept-band')">
    <template #button="{ menu }">
      <button
        v-bind="menu"
        class="tool"
        :class="{ on: linked }"
        :disabled="unread"
        :title="linked ? say('kept-bands-kept', { name: linked.name }) : say('kept-bands-keep-band-other-templates')"
        :aria-label="
          linked ? say('kept-bands-kept', { name: linked.name }) : say('kept-bands-keep-band-other-templates')
        "
      >
        <v-icon :icon="mdiLinkVariant" size="16" />
      </button>
    </template>
    <template v-if="linked">
      <p>
        {{
          say("kept-bands-this-is", {
            name: linked.name,
            count: others.length
              ? say("kept-bands-what-changes-here-changes", { others: others.join(say("kept-bands-and")) })
              : say("kept-bands-linked-here-only"),
          })
        }}
      </p>
      <v-btn @click="unlink">{{ say("kept-bands-unlink-here") }}</v-btn>
    </template>
    <form v-else @submit.prevent="keep">
      <label class="field">
        <span class="called">{{ say("kept-bands-keep-band") }}</span>
        <TextInput v-model="name" maxlength="120" @vue:mounted="$event.el?.focus({ preventScroll: true })" />
      </label>
      <v-btn type="submit" variant="flat" color="primary" :disabled="name.trim() === ''">{{
        say("kept-bands-save")
      }}</v-btn>
    </form>
  </SheetMenu>
</template>

<style scoped>
form {
  display: grid;
  gap: 8px;
}
.on {
  color: var(--accent);
}
</style>
