<script setup lang="ts">
import { mdiDeleteOutline } from "@mdi/js";
import { computed, ref } from "vue";
import type { Schemas } from "../../api/client";
import type { BookOption, SwatchFile } from "./useBook";
import { nearness } from "./words";
import PickField from "../../ui/fields/PickField.vue";

/** Every picture file with what its name means: in use, nearly right, doubled, left over. Each is settled by hand. */
const props = defineProps<{ option: BookOption }>();
const emit = defineEmits<{ settle: [fates: Schemas["Settled"][]]; remove: [ids: number[]]; show: [files: Shown[]] }>();
interface Shown {
  value: number;
  hash: string;
}
type How<H extends SwatchFile["how"]> = Extract<SwatchFile, { how: H }>;

const of = <H extends SwatchFile["how"]>(...hows: H[]): How<H>[] =>
  props.option.files.filter((file): file is How<H> => (hows as string[]).includes(file.how));
const used = computed(() => of("exact", "settled"));
const near = computed(() => of("near"));
const doubled = computed(() => of("double"));
const unclear = computed(() => of("unclear", "leftover"));
const aside = computed(() => of("unused"));
const name = (id: number): string => props.option.values.find((value) => value.id === id)?.name ?? "";
const file = (id: number): string => props.option.files.find((one) => one.id === id)?.name ?? "";
/** Files that are right and still aren't seen, because something before them is shown. */
const hidden = computed(() =>
  used.value.filter((one) => {
    const value = props.option.values.find((v) => v.id === one.value);
    return value?.from !== "file" && !(value?.swatch.kind === "picture" && one.picture.endsWith(value.swatch.hash));
  }),
);
const settled = computed(() => used.value.length + aside.value.length);
const open = ref(false);

const showAll = (): void =>
  emit(
    "show",
    hidden.value.map((one) => ({ value: one.value, hash: one.picture.replace("/media/", "") })),
  );
const give = (one: SwatchFile, value: number): void => emit("settle", [{ id: one.id, fate: { for: value } }]);
const takeAll = (): void =>
  emit(
    "settle",
    near.value.map((one) => ({ id: one.id, fate: { for: one.value } })),
  );
/** A list that only begins something shows nothing as picked. */
const nothing: number | null = null;
</script>

<template>
  <section class="matches" aria-label="Picture files">
    <div class="head">
      <h2>Picture files</h2>
      <span class="soft" role="status">
        {{ used.length - hidden.length }} in use · {{ near.length }} nearly right · {{ doubled.length }} doubled ·
        {{ unclear.length }} left over<template v-if="aside.length"> · {{ aside.length }} put aside</template>
      </span>
      <span class="space" />
      <button v-if="near.length" class="quiet" @click="takeAll">
        {{ near.length === 1 ? "Take the one that is nearly right" : `Take all ${near.length} that are nearly right` }}
      </button>
    </div>
    <p v-if="hidden.length" class="hidden">
      {{ hidden.length === 1 ? "1 file isn't seen" : `${hidden.length} files aren't seen` }}, because
      {{ hidden.length === 1 ? "its value has a swatch" : "their values have swatches" }} set here or in the palette.
      <button class="quiet" @click="showAll">Show the files instead</button>
    </p>
    <table>
      <tbody>
        <tr v-for="one in near" :key="one.id" class="wants">
          <td><img :src="one.picture" alt="" /></td>
          <td class="file">{{ one.name }}</td>
          <td>
            nearly <b>{{ name(one.value) }}</b>: {{ nearness(one) }}
          </td>
          <td>
            <button class="quiet" @click="give(one, one.value)">Take it</button>
            <button class="quiet" @click="emit('settle', [{ id: one.id, fate: 'unused' }])">Put aside</button>
          </td>
        </tr>
        <tr v-for="one in doubled" :key="one.id" class="wants">
          <td><img :src="one.picture" alt="" /></td>
          <td class="file">{{ one.name }}</td>
          <td>
            also <b>{{ name(one.value) }}</b>, which shows {{ file(one.used) }}
          </td>
          <td>
            <button class="quiet" @click="give(one, one.value)">Use this one</button>
            <button class="quiet" @click="emit('settle', [{ id: one.id, fate: 'unused' }])">Put aside</button>
          </td>
        </tr>
        <tr v-for="one in unclear" :key="one.id" class="wants">
          <td><img :src="one.picture" alt="" /></td>
          <td class="file">{{ one.name }}</td>
          <td>
            <template v-if="one.how === 'unclear'">could be {{ one.values.map(name).join(" or ") }}</template>
            <template v-else>has the name of no value</template>
          </td>
          <td>
            <PickField
              :model-value="nothing"
              :aria-label="`The value for ${one.name}`"
              @update:model-value="$event !== null && give(one, $event)"
            >
              <option :value="null">It is for …</option>
              <option v-for="value in option.values" :key="value.id" :value="value.id">{{ value.name }}</option>
            </PickField>
            <button class="quiet" @click="emit('settle', [{ id: one.id, fate: 'unused' }])">Put aside</button>
          </td>
        </tr>
        <template v-if="open">
          <tr v-for="one in used" :key="one.id">
            <td><img :src="one.picture" alt="" /></td>
            <td class="file">{{ one.name }}</td>
            <td>
              <b>{{ name(one.value) }}</b>{{ one.how === "settled" ? ", given to it by hand" : "" }}
            </td>
            <td>
              <button v-if="one.how === 'settled'" class="quiet" @click="emit('settle', [{ id: one.id, fate: null }])">
                Go by its name
              </button>
              <button v-else class="quiet" @click="emit('settle', [{ id: one.id, fate: 'unused' }])">Put aside</button>
            </td>
          </tr>
          <tr v-for="one in aside" :key="one.id">
            <td><img :src="one.picture" alt="" /></td>
            <td class="file">{{ one.name }}</td>
            <td class="soft">put aside</td>
            <td>
              <button class="quiet" @click="emit('settle', [{ id: one.id, fate: null }])">Go by its name</button>
              <button class="tool" :aria-label="`Remove ${one.name}`" title="Remove" @click="emit('remove', [one.id])">
                <v-icon :icon="mdiDeleteOutline" size="15" />
              </button>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <button v-if="settled" class="quiet" :aria-expanded="open" @click="open = !open">
      {{
        open
          ? "Hide what is settled"
          : settled === 1
            ? "Show the one that is settled"
            : `Show the ${settled} that are settled`
      }}
    </button>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
  margin-bottom: 6px;
}
.hidden {
  margin: 0 0 6px;
}
.space {
  flex: 1;
}
table {
  width: 100%;
  border-collapse: collapse;
}
td {
  height: 38px;
  padding: 3px 10px 3px 0;
  border-top: 1px solid var(--line);
}
td:first-child {
  width: 40px;
  padding-left: 6px;
}
td:last-child {
  text-align: right;
  white-space: nowrap;
}
.wants td:first-child {
  box-shadow: inset 3px 0 0 var(--signal);
}
.file {
  overflow-wrap: anywhere;
}
img {
  display: block;
  width: 28px;
  height: 28px;
  border-radius: 50%;
}
td > .field {
  display: inline-grid;
  max-width: 110px;
  vertical-align: middle;
}
.tool {
  display: inline-grid;
  vertical-align: middle;
}
</style>
