<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../../api/client";
import ColourField from "../../ui/ColourField.vue";
import TypedInput from "../../ui/TypedInput.vue";
import SlideInput from "../../ui/fields/SlideInput.vue";
import type { Token } from "./useHouse";
import TickBox from "../../ui/fields/TickBox.vue";
import PickField from "../../ui/fields/PickField.vue";
import { say } from "../../words";

const props = defineProps<{ token: Token; set: (value: Schemas["SetValue"] | null) => Promise<boolean> }>();
const shape = computed(() => props.token.shape);
const id = computed(() => `token-${props.token.key}`);

function setNumber(text: string): Promise<boolean> | null {
  const value = Number(text);
  return text !== "" && Number.isInteger(value) ? props.set(value) : null;
}
</script>

<template>
  <div class="token">
    <span :id="id" class="label">{{ token.label }}</span>
    <ColourField
      v-if="shape.shape === 'colour'"
      :model-value="String(token.value)"
      :labelledby="id"
      @update:model-value="(v) => set(v)"
    />
    <span v-else-if="shape.shape === 'number'" class="number">
      <SlideInput
        :value="Number(token.value)"
        :least="shape.least"
        :most="shape.most"
        :aria-labelledby="id"
        @take="(to) => setNumber(String(to))"
      />
      <TypedInput
        type="number"
        :min="shape.least"
        :max="shape.most"
        :value="String(token.value)"
        :keep="setNumber"
        :of="token.key"
        :aria-labelledby="id"
      />
      <span class="soft">{{ say("token-field-px") }}</span>
    </span>
    <TickBox
      v-else-if="shape.shape === 'flag'"
      :model-value="token.value === true"
      :aria-labelledby="id"
      @update:model-value="set"
    />
    <PickField
      v-else-if="shape.shape === 'choice'"
      :model-value="String(token.value)"
      :options="shape.options.map((one) => ({ value: String(one.value), says: one.label }))"
      :aria-labelledby="id"
      @update:model-value="set"
    />
    <span class="own">
      <template v-if="token.own">
        <span class="dot" :title="say('token-field-set-you')" />
        <button class="quiet" :aria-label="say('token-field-rejoin', { label: token.label })" @click="set(null)">
          {{ say("token-field-rejoin-b") }}
        </button>
      </template>
    </span>
  </div>
</template>

<style scoped>
.token {
  display: grid;
  grid-template-columns: 124px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
.label {
  color: var(--soft);
}
.number {
  display: flex;
  gap: 8px;
  align-items: center;
}
input[type="range"] {
  flex: 1;
}
input {
  width: 58px;
}
.own {
  display: flex;
  gap: 4px;
  align-items: center;
  font-size: 12px;
}
</style>
