<script setup lang="ts">
import { computed, ref } from "vue";
import PageThumb from "../../ui/PageThumb.vue";
import { useDesk } from "./deskStore";
import { SCREENS } from "./types";
import type { SituationControl } from "./useSituation";

/** Every product that the template serves, side by side, so that the odd one out shows. */
const props = defineProps<{ situation: SituationControl }>();
defineEmits<{ look: [product: string] }>();
const desk = useDesk();
const device = ref<"wide" | "phone">("wide");
const screen = computed(() => SCREENS[device.value]);
const samples = computed(() => props.situation.products.value.filter((one) => one.sample).length);
const note = computed(() => {
  if (desk.view?.serves !== 0) return "";
  return samples.value > 0
    ? "There are no products yet: what you see is a sample made of what they will have."
    : "This template serves no product yet; these are all of the shop’s.";
});
/** A new draft is another page, so each small proof is asked for anew. */
function address(product: string): string | null {
  const at = props.situation.address({ product });
  return at && `${at}&draft=${desk.draft?.revision ?? 0}`;
}
</script>

<template>
  <div class="all">
    <div class="head">
      <v-btn-toggle v-model="device" aria-label="Screen">
        <v-btn value="wide">Wide</v-btn>
        <v-btn value="phone">Phone</v-btn>
      </v-btn-toggle>
      <span class="soft">{{
        note ||
        `${situation.products.value.length - samples} products${samples ? " and samples of types without any" : ""}, each down to its first screen and a little more`
      }}</span>
    </div>
    <ul :class="device">
      <li v-for="product in situation.products.value" :key="product.handle">
        <button :aria-label="`Put ${product.name} on the desk`" @click="$emit('look', product.handle)">
          <PageThumb
            :address="address(product.handle)"
            :name="`${product.name}, drawn small`"
            :width="screen.width"
            :height="Math.round(screen.height * 1.25)"
          />
          <span>{{ product.name }}</span>
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped src="./thumbs.css"></style>
<style scoped>
.head .v-btn-toggle {
  width: 130px;
}
ul.phone {
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
}
button > span:last-child {
  display: block;
  padding-top: 6px;
  overflow: hidden;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
