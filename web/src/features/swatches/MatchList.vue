<script setup lang="ts">
import { mdiDeleteOutline } from "@mdi/js";
import { computed, ref } from "vue";
import type { Schemas } from "../../api/client";
import { mediaAddress } from "../../api/media";
import type { BookOption, SwatchFile } from "./useBook";
import { nearness } from "./words";
import PickField from "../../ui/fields/PickField.vue";
import { say } from "../../words";

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
    return value?.from !== "file" && !(value?.swatch.kind === "picture" && value.swatch.hash === one.hash);
  }),
);
const settled = computed(() => used.value.length + aside.value.length);
const open = ref(false);

const showAll = (): void =>
  emit(
    "show",
    hidden.value.map((one) => ({ value: one.value, hash: one.hash })),
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
  <section class="matches" :aria-label="say('match-list-picture-files')">
    <div class="head">
      <h2>{{ say("match-list-picture-files") }}</h2>
      <span class="soft" role="status">
        {{
          say("match-list-use-nearly-right-doubled", {
            count: used.length - hidden.length,
            count2: near.length,
            count3: doubled.length,
            count4: unclear.length,
          })
        }}<template v-if="aside.length"> {{ say("match-list-put-aside", { count: aside.length }) }}</template>
      </span>
      <span class="space" />
      <button v-if="near.length" class="quiet" @click="takeAll">
        {{ say("match-list-take-all-nearly-right", { count: near.length }) }}
      </button>
    </div>
    <p v-if="hidden.length" class="hidden">
      {{ say("match-list-files-arent-seen-because", { count: hidden.length }) }}
      <button class="quiet" @click="showAll">{{ say("match-list-show-files-instead") }}</button>
    </p>
    <table>
      <tbody>
        <tr v-for="one in near" :key="one.id" class="wants">
          <td><img :src="mediaAddress(one.hash)" alt="" /></td>
          <td class="file">{{ one.name }}</td>
          <td>
            {{ say("match-list-nearly") }} <b>{{ name(one.value) }}</b>: {{ nearness(one) }}
          </td>
          <td>
            <button class="quiet" @click="give(one, one.value)">{{ say("match-list-take") }}</button>
            <button class="quiet" @click="emit('settle', [{ id: one.id, fate: 'unused' }])">
              {{ say("match-list-put-aside-b") }}
            </button>
          </td>
        </tr>
        <tr v-for="one in doubled" :key="one.id" class="wants">
          <td><img :src="mediaAddress(one.hash)" alt="" /></td>
          <td class="file">{{ one.name }}</td>
          <td>
            {{ say("match-list-also") }} <b>{{ name(one.value) }}</b>{{
              say("match-list-which-shows", { used: file(one.used) })
            }}
          </td>
          <td>
            <button class="quiet" @click="give(one, one.value)">{{ say("match-list-use-one") }}</button>
            <button class="quiet" @click="emit('settle', [{ id: one.id, fate: 'unused' }])">
              {{ say("match-list-put-aside-b") }}
            </button>
          </td>
        </tr>
        <tr v-for="one in unclear" :key="one.id" class="wants">
          <td><img :src="mediaAddress(one.hash)" alt="" /></td>
          <td class="file">{{ one.name }}</td>
          <td>
            <template v-if="one.how === 'unclear'">{{
              say("match-list-could", { values: one.values.map(name).join(say("match-list-or")) })
            }}</template>
            <template v-else>{{ say("match-list-has-name-no-value") }}</template>
          </td>
          <td>
            <PickField
              :model-value="nothing"
              :aria-label="say('match-list-value', { name: one.name })"
              @update:model-value="$event !== null && give(one, $event)"
            >
              <option :value="null">{{ say("match-list-it-is-for") }}</option>
              <option v-for="value in option.values" :key="value.id" :value="value.id">{{ value.name }}</option>
            </PickField>
            <button class="quiet" @click="emit('settle', [{ id: one.id, fate: 'unused' }])">
              {{ say("match-list-put-aside-b") }}
            </button>
          </td>
        </tr>
        <template v-if="open">
          <tr v-for="one in used" :key="one.id">
            <td><img :src="mediaAddress(one.hash)" alt="" /></td>
            <td class="file">{{ one.name }}</td>
            <td>
              <b>{{ name(one.value) }}</b>{{ one.how === "settled" ? say("match-list-given-hand") : "" }}
            </td>
            <td>
              <button v-if="one.how === 'settled'" class="quiet" @click="emit('settle', [{ id: one.id, fate: null }])">
                {{ say("match-list-go-name") }}
              </button>
              <button v-else class="quiet" @click="emit('settle', [{ id: one.id, fate: 'unused' }])">
                {{ say("match-list-put-aside-b") }}
              </button>
            </td>
          </tr>
          <tr v-for="one in aside" :key="one.id">
            <td><img :src="mediaAddress(one.hash)" alt="" /></td>
            <td class="file">{{ one.name }}</td>
            <td class="soft">{{ say("match-list-put-aside-c") }}</td>
            <td>
              <button class="quiet" @click="emit('settle', [{ id: one.id, fate: null }])">
                {{ say("match-list-go-name") }}
              </button>
              <button
                class="tool"
                :aria-label="say('match-list-remove', { name: one.name })"
                :title="say('match-list-remove-b')"
                @click="emit('remove', [one.id])"
              >
                <v-icon :icon="mdiDeleteOutline" size="15" />
              </button>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <button v-if="settled" class="quiet" :aria-expanded="open" @click="open = !open">
      {{ open ? say("match-list-hide-what-settled") : say("match-list-show-settled", { settled }) }}
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
