<script setup lang="ts">
import { computed, ref } from "vue";
import type { Template, TemplatesView, TypeReached } from "./useTemplates";
import { LOCALE, say } from "../../words";

/** All product types against the templates: who serves how many of whom, who yields to whom, and where only the order
 * decides. A type is dragged onto a template to move it there. */
const props = defineProps<{ view: TemplatesView; card: boolean }>();
const emit = defineEmits<{ look: [type: TypeReached]; move: [type: TypeReached, to: Template] }>();

const live = computed(() => props.view.templates.filter((one) => one.live));
const dragged = ref<TypeReached | null>(null);
const over = ref<number | null>(null);
const cellOf = (type: TypeReached, template: Template) => type.cells.find((one) => one.template === template.id);

const written = (count: number) => count.toLocaleString(LOCALE);

function says(type: TypeReached, template: Template): string {
  const cell = cellOf(type, template);
  const where = `${type.kind.name}, ${template.name}`;
  if (type.sample?.template === template.id) return say("reach-matrix-will-serve-products", { where });
  if (!cell) return say("reach-matrix-not-reached", { where });
  const parts = [say("reach-matrix-serves", { serves: cell.serves, products: type.products })];
  if (cell.yields) parts.push(say("reach-matrix-more-served-closer-reach", { yields: cell.yields }));
  if (cell.tied) parts.push(say("reach-matrix-reached-another-same-way", { tied: cell.tied }));
  return `${where}: ${parts.join("; ")}`;
}
function drop(template: Template): void {
  const type = dragged.value;
  dragged.value = over.value = null;
  if (type && cellOf(type, template)?.serves !== type.products) emit("move", type, template);
}
</script>

<template>
  <div class="scroll">
    <table :aria-label="say('reach-matrix-product-types')">
      <thead>
        <tr>
          <th>{{ say("reach-matrix-product-type") }}</th>
          <th
            v-for="template in live"
            :key="template.id"
            :class="{ over: over === template.id, off: !template.in_force }"
            @dragover.prevent="over = template.id"
            @dragleave="over = null"
            @drop.prevent="drop(template)"
          >
            {{ template.name }}
            <small v-if="!template.in_force">{{ say("reach-matrix-not-use-now") }}</small>
            <small v-else-if="template.reach.rule === 'fallback'">{{ say("reach-matrix-fallback") }}</small>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="type in view.types" :key="type.kind.handle">
          <th
            scope="row"
            draggable="true"
            :title="card ? say('reach-matrix-drag-onto-card-move') : say('reach-matrix-drag-onto-template-move')"
            @dragstart="dragged = type"
            @dragend="dragged = over = null"
          >
            <button @click="emit('look', type)">{{ type.kind.name }}</button>
            <router-link
              v-if="type.sample"
              class="soft"
              :to="{ name: 'desk', params: { id: type.sample.template }, query: { product: type.sample.handle } }"
              >{{ say("reach-matrix-none-yet-sample") }}</router-link
            >
            <span v-else class="soft">{{ written(type.products) }}</span>
          </th>
          <td
            v-for="template in live"
            :key="template.id"
            :class="{ over: over === template.id && dragged }"
            @dragover.prevent="over = template.id"
            @dragleave="over = null"
            @drop.prevent="drop(template)"
          >
            <button
              class="cell"
              :aria-label="says(type, template)"
              :title="says(type, template)"
              @click="emit('look', type)"
            >
              <i v-if="type.sample?.template === template.id" class="bar none" />
              <template v-if="cellOf(type, template)">
                <i
                  v-if="cellOf(type, template)!.serves"
                  class="bar"
                  :class="{ rest: template.reach.rule === 'fallback' }"
                  :style="{ width: `${8 + 62 * (cellOf(type, template)!.serves / type.products)}px` }"
                />
                <b v-if="cellOf(type, template)!.serves">{{ written(cellOf(type, template)!.serves) }}</b>
                <span v-if="cellOf(type, template)!.tied" class="signal">{{ say("reach-matrix-tied") }}</span>
                <span v-if="cellOf(type, template)!.yields" class="yields"
                  >({{ written(cellOf(type, template)!.yields) }})</span
                >
              </template>
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="soft key">
      <i class="bar" /> {{ say("reach-matrix-served-own-reach") }} <i class="bar rest" />
      {{ say("reach-matrix-served-rest") }} <span>({{ 4 }})</span>
      {{ card ? say("reach-matrix-reached-too-but-another-card") : say("reach-matrix-reached-too-but-another") }}
      <span class="signal">{{ say("reach-matrix-tied-key") }}</span>
      {{ card ? say("reach-matrix-only-order-cards-decides") : say("reach-matrix-only-order-templates-decides") }}
      <i class="bar none" /> {{ say("reach-matrix-will-serve-type-has") }}
    </p>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  border: 1px solid var(--line);
  background: var(--sheet);
}
th,
td {
  padding: 0 10px;
  border-top: 1px solid var(--line);
  border-left: 1px solid var(--line);
  text-align: left;
}
thead th {
  padding: 8px 10px;
  border-top: 0;
  font-weight: 600;
  vertical-align: bottom;
}
thead small {
  display: block;
  color: var(--soft);
  font-weight: 400;
}
.off {
  color: var(--soft);
}
tbody th {
  width: 250px;
  cursor: grab;
  font-weight: 500;
}
tbody th button {
  padding: 7px 0;
  font-weight: 600;
  text-align: left;
}
tbody th .soft {
  margin-left: 6px;
  font-weight: 400;
}
.cell {
  display: flex;
  gap: 7px;
  align-items: center;
  width: 100%;
  min-height: 32px;
}
.bar {
  display: inline-block;
  width: 26px;
  height: 11px;
  border-radius: 2px;
  background: var(--accent);
}
.bar.rest {
  border: 1.4px solid var(--accent);
  background: none;
}
.bar.none {
  border: 1.4px dashed var(--accent);
  background: none;
}
.yields {
  color: var(--soft);
}
.signal {
  font-size: 11px;
}
.over {
  background: var(--accent-weak);
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  margin: 8px 0 0;
  font-size: 12px;
}
</style>
