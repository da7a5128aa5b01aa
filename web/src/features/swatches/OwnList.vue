<script setup lang="ts">
import SwatchDot from "../../ui/SwatchDot.vue";
import type { BookOption } from "./useBook";
import { say } from "../../words";

/** Products that show a value in their own way. */
const props = defineProps<{ option: BookOption }>();
defineEmits<{ rejoin: [product: string, value: number] }>();
const named = (id: number) => props.option.values.find((value) => value.id === id);
</script>

<template>
  <section :aria-label="say('own-list-products-swatches-their-own')">
    <h2>{{ say("own-list-products-swatches-their-own") }}</h2>
    <table>
      <tbody>
        <tr v-for="own in option.own" :key="`${own.product} ${own.value}`">
          <td><SwatchDot :swatch="own.swatch" :size="20" /></td>
          <td>
            <b>{{ named(own.value)?.name }}</b> {{ say("own-list-of", { name: own.name }) }}
          </td>
          <td class="soft">{{ own.why || say("own-list-no-reason-was-given") }}</td>
          <td>
            <button class="quiet" @click="$emit('rejoin', own.product, own.value)">{{ say("own-list-rejoin") }}</button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 4px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
td {
  padding: 5px 8px 5px 0;
  border-top: 1px solid var(--line);
  vertical-align: middle;
}
td:last-child {
  text-align: right;
}
</style>
