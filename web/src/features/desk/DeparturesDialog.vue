<script setup lang="ts">
import { computed, onMounted, ref } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import EmptyPlace from "../../ui/notes/EmptyPlace.vue";
import ProgressLine from "../../ui/notes/ProgressLine.vue";
import { useDesk } from "./deskStore";
import { type Op, SCREENS, sameTarget } from "./types";
import { sameWhom } from "./useScope";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** Everything that single products and types keep different: each can rejoin, or become the template's own. */
type Departure = Schemas["DepartureView"];
const emit = defineEmits<{ close: []; look: [product: string] }>();
const desk = useDesk();
const all = ref<Departure[]>([]);
const problem = ref("");
const loading = ref(true);

async function load(): Promise<void> {
  const id = desk.view?.id ?? 0;
  const { data, error } = await ask(api.GET("/api/templates/{id}/departures", { params: { path: { id } } }));
  problem.value = error?.message ?? "";
  if (data) all.value = data;
  loading.value = false;
}
onMounted(load);

const groups = computed(() => {
  const found: { name: string; whom: Schemas["Whom"]; served: boolean; list: Departure[] }[] = [];
  for (const one of all.value) {
    const group = found.find((g) => sameWhom(g.whom, one.whom));
    if (group) group.list.push(one);
    else found.push({ name: one.name, whom: one.whom, served: one.served, list: [one] });
  }
  return found;
});

const depart = ({ whom, target, setting, device, kind }: Departure, value: Departure["value"] | null): Op => ({
  op: "depart",
  whom,
  target,
  setting,
  device,
  value,
  ...(kind ? { kind } : {}),
});
async function take(ops: Op[]): Promise<void> {
  await desk.edit({ op: "many", ops });
  await load();
}
const rejoin = (list: Departure[]): Promise<void> => take(list.map((one) => depart(one, null)));
/** The template takes the value, and nobody needs to keep it who keeps the same. */
function makeTemplates(one: Departure): Promise<void> {
  const { target, setting, device, value } = one;
  const same = all.value.filter(
    (other) =>
      sameTarget(other.target, target) &&
      other.setting === setting &&
      other.device === device &&
      JSON.stringify(other.value) === JSON.stringify(value),
  );
  return take([{ op: "set", target, setting, device, value }, ...same.map((other) => depart(other, null))]);
}
/** Pieces of the same kind, to which a departure can go whose own piece is gone. */
const places = (one: Departure) => desk.order.filter((line) => line.piece.kind === one.kind);
function placeAnew(one: Departure, piece: string): Promise<void> {
  const { whom, setting, device, value } = one;
  return take([depart(one, null), { op: "depart", whom, target: { piece }, setting, device, value }]);
}
function showMe(one: Departure): void {
  desk.chosen = one.target;
  if ("product" in one.whom) {
    emit("look", one.whom.product);
    desk.scope = "product";
  }
  emit("close");
}
</script>

<template>
  <DialogSheet
    :title="say('departures-dialog-departures-from', { name: desk.view?.name })"
    :label="say('departures-dialog-departures')"
    :width="760"
    :leave="say('departures-dialog-close')"
    @close="emit('close')"
  >
    <template #beside>
      <button v-if="all.length > 1" class="quiet" @click="rejoin(all)">
        {{ say("departures-dialog-rejoin-all", { count: all.length }) }}
      </button>
    </template>
    <ProgressLine v-if="loading" />
    <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
    <EmptyPlace v-if="!loading && !problem && all.length === 0">{{
      say("departures-dialog-every-product-has-template")
    }}</EmptyPlace>
    <section v-for="group in groups" :key="JSON.stringify(group.whom)" :aria-label="group.name">
      <div class="head">
        <h2>{{ group.name }}</h2>
        <span class="soft">{{
          "type" in group.whom ? say("departures-dialog-whole-type") : say("departures-dialog-product")
        }}</span>
        <span v-if="!group.served" class="signal">{{ say("departures-dialog-not-served-template-now") }}</span>
        <button v-if="group.list.length > 1" class="quiet" @click="rejoin(group.list)">
          {{ say("departures-dialog-rejoin-these", { count: group.list.length }) }}
        </button>
      </div>
      <ul>
        <li v-for="one in group.list" :key="`${JSON.stringify(one.target)}${one.setting}${one.device}`">
          <span class="what">
            <b>{{ one.piece }}</b> {{ one.label
            }}<template v-if="one.device !== 'wide'">, {{ SCREENS[one.device].name.toLowerCase() }}</template>
          </span>
          <span class="values">
            <span class="dot" aria-hidden="true" /> {{ one.says }}
            <span v-if="one.lost" class="signal">{{ say("departures-dialog-piece-has-gone-from") }}</span>
            <span v-else class="soft">{{
              say("departures-dialog-template", { template_says: one.template_says })
            }}</span>
          </span>
          <span class="acts">
            <template v-if="one.lost">
              <button
                v-for="line in places(one)"
                :key="line.piece.id"
                class="quiet"
                @click="placeAnew(one, line.piece.id)"
              >
                {{ say("departures-dialog-place-line", { number: line.number }) }}
              </button>
              <button class="quiet" @click="rejoin([one])">{{ say("departures-dialog-remove") }}</button>
            </template>
            <template v-else>
              <button class="quiet" @click="showMe(one)">{{ say("departures-dialog-show-me") }}</button>
              <button class="quiet" @click="makeTemplates(one)">{{ say("departures-dialog-make-templates") }}</button>
              <button class="quiet" @click="rejoin([one])">{{ say("departures-dialog-rejoin") }}</button>
            </template>
          </span>
        </li>
      </ul>
    </section>
  </DialogSheet>
</template>

<style scoped>
.head {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.head .quiet {
  margin-left: auto;
}
.head .soft {
  font-size: 12px;
}
ul {
  margin: 4px 0 0;
  padding: 0;
  border: 1px solid var(--line);
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  padding: 5px 10px;
  border-top: 1px solid var(--line);
  background: var(--field);
}
li:first-child {
  border-top: 0;
}
.values > :last-child {
  display: block;
  font-size: 12px;
}
.acts {
  display: flex;
  gap: 2px;
}
</style>
