<script setup lang="ts">
import { mdiDrag } from "@mdi/js";
import { ref, watch } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import type { Template, TemplatesView } from "./useTemplates";

/** The templates in their order: where two reach a product in the same way, the upper one serves it. */
const props = defineProps<{ view: TemplatesView }>();
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
  if (!template.live) return "Not live";
  const count = template.changes_not_live;
  if (count === 0) return "Live";
  return count === 1 ? "1 change not live" : `${count} changes not live`;
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
  <table aria-label="Templates">
    <thead>
      <tr>
        <th><span class="unseen">Order</span></th>
        <th>Template</th>
        <th>Reach</th>
        <th>Serves now</th>
        <th>Departures</th>
        <th>State</th>
        <th><span class="unseen">Change</span></th>
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
            :aria-label="`${template.name}: place ${index + 1} of ${rows.length}. Alt and arrows move it.`"
            title="Drag, or Alt and arrows: the upper one wins where two reach a product in the same way"
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
            {{ template.products }} {{ template.products === 1 ? "product" : "products" }}
            <span v-if="template.types" class="soft"
              >in {{ template.types }} {{ template.types === 1 ? "type" : "types" }}</span
            >
          </template>
          <span v-else class="soft">{{ template.reach.on === false ? "switched off" : "nothing now" }}</span>
        </td>
        <td>
          <span v-if="template.departures"><span class="dot" aria-hidden="true" /> {{ template.departures }}</span>
          <span v-else class="soft">none</span>
        </td>
        <td>
          <span class="chip" :class="{ differs: !template.live || template.changes_not_live > 0 }">{{
            stateOf(template)
          }}</span>
        </td>
        <td class="acts">
          <button class="quiet" @click="emit('edit', template)">Name and reach</button>
          <a class="quiet" :href="`/api/templates/${template.id}/file`" :aria-label="`Save ${template.name} as a file`"
            >File</a
          >
          <button class="quiet" :aria-label="`Copy ${template.name}`" @click="emit('copy', template)">Copy</button>
          <button
            v-if="template.reach.rule !== 'fallback'"
            class="quiet"
            :aria-label="`Remove ${template.name}`"
            @click="emit('away', template)"
          >
            Remove
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
</style>
