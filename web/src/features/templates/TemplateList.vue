<script setup lang="ts">
import { mdiDrag } from "@mdi/js";
import { ref, watch } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import type { Template, TemplatesView } from "./useTemplates";
import { say } from "../../words";

/** The templates in their order: where two reach a product in the same way, the upper one serves it. */
const props = defineProps<{ view: TemplatesView; card: boolean }>();
const emit = defineEmits<{
  edit: [template: Template];
  copy: [template: Template];
  away: [template: Template];
  order: [ids: number[]];
}>();
const rows = ref<Template[]>([]);
watch(
  () => props.view.templates,
  (now) => (rows.value = [...now]),
  { immediate: true },
);

function stateOf(template: Template): string {
  if (!template.live) return say("template-list-not-live");
  const count = template.changes_not_live;
  if (count === 0) return say("template-list-live");
  return say("template-list-changes-not-live", { count });
}
function step(index: number, by: -1 | 1): void {
  const ids = rows.value.map((one) => one.id);
  const [id] = ids.splice(index, 1);
  const to = index + by;
  if (id === undefined || to < 0 || to > ids.length) return;
  ids.splice(to, 0, id);
  emit("order", ids);
}
</script>

<template>
  <table :aria-label="card ? say('template-list-cards') : say('template-list-templates')">
    <thead>
      <tr>
        <th>
          <span class="unseen">{{ say("template-list-order") }}</span>
        </th>
        <th>{{ card ? say("template-list-card") : say("template-list-template") }}</th>
        <th>{{ say("template-list-reach") }}</th>
        <th>{{ say("template-list-serves-now") }}</th>
        <th>{{ say("template-list-departures") }}</th>
        <th>{{ say("template-list-state") }}</th>
        <th>
          <span class="unseen">{{ say("template-list-change") }}</span>
        </th>
      </tr>
    </thead>
    <VueDraggable
      v-model="rows"
      tag="tbody"
      handle=".grip"
      :animation="120"
      @end="
        emit(
          'order',
          rows.map((one) => one.id),
        )
      "
    >
      <tr v-for="(template, index) in rows" :key="template.id">
        <td class="hold">
          <button
            class="grip"
            :aria-label="
              say('template-list-place-alt-arrows-move', { name: template.name, index: index + 1, count: rows.length })
            "
            :title="say('template-list-drag-alt-arrows-upper')"
            @keydown.alt.up.prevent="step(index, -1)"
            @keydown.alt.down.prevent="step(index, 1)"
          >
            <v-icon :icon="mdiDrag" size="16" />
          </button>
        </td>
        <td>
          <router-link class="name" :to="{ name: 'desk', params: { id: template.id } }">{{
            template.name
          }}</router-link>
        </td>
        <td>
          {{ template.says }}
          <span v-if="template.dates" class="soft dates">{{ template.dates }}</span>
        </td>
        <td>
          <template v-if="template.live && template.in_force">
            {{ say("template-list-products", { products: template.products }) }}
            <span v-if="template.types" class="soft">{{ say("template-list-types", { types: template.types }) }}</span>
          </template>
          <span v-else class="soft">{{
            template.reach.on === false ? say("template-list-switched-off") : say("template-list-nothing-now")
          }}</span>
        </td>
        <td>
          <span v-if="template.departures"><span class="dot" aria-hidden="true" /> {{ template.departures }}</span>
          <span v-else class="soft">{{ say("template-list-none") }}</span>
        </td>
        <td>
          <span class="chip" :class="{ differs: !template.live || template.changes_not_live > 0 }">{{
            stateOf(template)
          }}</span>
        </td>
        <td class="acts">
          <button class="quiet" @click="emit('edit', template)">{{ say("template-list-name-reach") }}</button>
          <a
            class="quiet"
            :href="`/api/templates/${template.id}/file`"
            :aria-label="say('template-list-save-file', { name: template.name })"
            >{{ say("template-list-file") }}</a
          >
          <button
            class="quiet"
            :aria-label="say('template-list-copy', { name: template.name })"
            @click="emit('copy', template)"
          >
            {{ say("template-list-copy-b") }}
          </button>
          <button
            v-if="template.reach.rule !== 'fallback'"
            class="quiet"
            :aria-label="say('template-list-remove', { name: template.name })"
            @click="emit('away', template)"
          >
            {{ say("template-list-remove-b") }}
          </button>
        </td>
      </tr>
    </VueDraggable>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  border: 1px solid var(--line);
  background: var(--sheet);
}
th,
td {
  padding: 8px 12px;
  border-top: 1px solid var(--line);
  text-align: left;
}
th {
  border: 0;
  color: var(--soft);
  font-size: 12px;
  font-weight: 600;
}
.hold {
  width: 26px;
  padding-right: 0;
}
.grip {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  color: var(--soft);
  cursor: grab;
}
.name {
  font-weight: 600;
}
.dates {
  display: block;
  font-size: 12px;
}
.acts {
  text-align: right;
  white-space: nowrap;
}
@media (max-width: 900px) {
  th,
  td {
    padding: 8px;
  }
  .acts > * {
    display: block;
    min-height: 24px;
    margin-left: auto;
  }
}
</style>
