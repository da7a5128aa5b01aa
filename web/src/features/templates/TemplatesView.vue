<script setup lang="ts">
import { onMounted, ref } from "vue";
import { useRouter } from "vue-router";
import ProblemNote from "../../ui/ProblemNote.vue";
import ReachDialog from "./ReachDialog.vue";
import { type Template, type TypeReached, useTemplates } from "./useTemplates";

const { view, names, problem, loading, load, save, add } = useTemplates();
const router = useRouter();
const newName = ref("");

async function begin(): Promise<void> {
  const id = await add(newName.value);
  if (id !== null) await router.push({ name: "desk", params: { id } });
}
const editing = ref<Template | null>(null);
onMounted(load);

function reachOf(template: Template): string {
  if (template.reach.rule === "fallback") return "everything that no other template reaches";
  const names = view.value.types
    .filter((t) => template.reach.rule === "types" && template.reach.types.includes(t.kind.handle))
    .map((t) => t.kind.name);
  return names.length ? names.join(", ") : "nothing yet";
}

function changes(template: Template): string {
  if (!template.live) return "Not live";
  const count = template.changes_not_live;
  if (count === 0) return "Live";
  return count === 1 ? "1 change not live" : `${count} changes not live`;
}

function whyOf(type: TypeReached): string {
  const others = type.reached_by.filter((id) => id !== type.template).map((id) => names.value.get(id));
  if (type.why === "type")
    return others.length ? `names the type; ${others.join(", ")} serves the rest` : "names the type";
  if (type.why === "type_first_in_order") return `names the type and stands before ${others.join(", ")}`;
  return "no other template names the type";
}
</script>

<template>
  <main class="templates">
    <h1>Templates</h1>
    <v-progress-linear v-if="loading" indeterminate color="primary" />
    <ProblemNote :problem="problem" @retry="load" />
    <table aria-label="Templates">
      <thead>
        <tr>
          <th>Template</th>
          <th>Reach</th>
          <th>Serves now</th>
          <th class="number">Pieces</th>
          <th>State</th>
          <th><span class="unseen">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="template in view.templates" :key="template.id">
          <td>
            <router-link class="name" :to="{ name: 'desk', params: { id: template.id } }">{{
              template.name
            }}</router-link>
          </td>
          <td>{{ reachOf(template) }}</td>
          <td>
            {{ template.products }} {{ template.products === 1 ? "product" : "products" }}
            <span v-if="template.serves.length" class="soft">in {{ template.serves.length }} types</span>
          </td>
          <td class="number">{{ template.pieces }}</td>
          <td>
            <span class="chip" :class="{ differs: !template.live || template.changes_not_live > 0 }">
              {{ changes(template) }}
            </span>
          </td>
          <td class="number"><button class="quiet" @click="editing = template">Name and reach</button></td>
        </tr>
      </tbody>
    </table>
    <form class="new" @submit.prevent="begin">
      <v-text-field v-model="newName" label="A new template, called" maxlength="120" />
      <v-btn type="submit" :disabled="newName.trim() === ''">Begin it</v-btn>
    </form>
    <h2>Which template serves which products</h2>
    <table aria-label="Product types">
      <thead>
        <tr>
          <th>Product type</th>
          <th class="number">Products</th>
          <th>Served by</th>
          <th>Because it</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="type in view.types" :key="type.kind.handle">
          <td>{{ type.kind.name }}</td>
          <td class="number">{{ type.products }}</td>
          <td>
            <router-link v-if="type.template" :to="{ name: 'desk', params: { id: type.template } }">
              {{ names.get(type.template) }}
            </router-link>
          </td>
          <td class="soft">{{ type.why === "fallback" ? "serves the rest: " : "" }}{{ whyOf(type) }}</td>
        </tr>
      </tbody>
    </table>
    <ReachDialog :template="editing" :types="view.types" :save="save" @close="editing = null" />
  </main>
</template>

<style scoped>
.new {
  display: flex;
  gap: 10px;
  align-items: center;
  max-width: 420px;
  margin: 12px 0 4px;
}
.templates {
  width: min(1244px, 100%);
  margin: 0 auto;
  padding: 20px 18px 48px;
}
h1 {
  margin-bottom: 14px;
}
h2 {
  margin: 32px 0 10px;
}
table {
  width: 100%;
  border-collapse: collapse;
  border: 1px solid var(--line);
  background: var(--sheet);
}
th,
td {
  padding: 9px 14px;
  border-top: 1px solid var(--line);
  text-align: left;
}
th {
  border: 0;
  color: var(--soft);
  font-size: 12px;
  font-weight: 600;
}
.number {
  text-align: right;
}
.name {
  font-weight: 600;
}
</style>
