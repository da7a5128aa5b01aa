<script setup lang="ts">
import { computed, onMounted, ref, watch } from "vue";
import { useRouter } from "vue-router";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import ProblemNote from "../../ui/notes/ProblemNote.vue";
import FieldsForm from "./FieldsForm.vue";
import { type TemplateFor, plainFields, takesTypes } from "./useTypes";
import RadioBox from "../../ui/fields/RadioBox.vue";
import TextInput from "../../ui/fields/TextInput.vue";
import PickField from "../../ui/fields/PickField.vue";
import DialogSheet from "../../ui/DialogSheet.vue";
import { say } from "../../words";

/** A product type that has no products yet: what they will have, and which template serves them. Its page can be
 * composed at once, with a sample in their place. */
const emit = defineEmits<{ close: [] }>();
const router = useRouter();
const view = ref<Schemas["TemplatesView"] | null>(null);
const name = ref("");
const like = ref("");
const fields = ref(plainFields());
const own = ref(false);
const problem = ref<ApiError | null>(null);

const servers = computed(() => view.value?.templates.filter((one) => one.live && takesTypes(one)) ?? []);
const server = ref<number | null>(null);
const copyOf = ref<number | "">("");
onMounted(async () => {
  const { data, error } = await ask(api.GET("/api/templates"));
  problem.value = error ?? null;
  view.value = data ?? null;
  server.value = servers.value.find((one) => one.reach.rule === "fallback")?.id ?? servers.value[0]?.id ?? null;
});
/** Whether what products of another type have is on its way: it takes the place of what stands here. */
const reading = ref(false);
/** What is like another type has what its products have, and the template that serves most of them. */
watch(like, async (handle) => {
  reading.value = false;
  if (!handle) return;
  reading.value = true;
  const { data, error } = await ask(api.GET("/api/types/{handle}/fields", { params: { path: { handle } } }));
  if (handle !== like.value) return;
  reading.value = false;
  problem.value = error ?? null;
  if (!data) return;
  fields.value = data;
  const cells = view.value?.types.find((type) => type.kind.handle === handle)?.cells ?? [];
  const [most] = [...cells].sort((a, b) => b.serves - a.serves);
  if (!most) return;
  copyOf.value = most.template;
  if (servers.value.some((one) => one.id === most.template)) server.value = most.template;
});

const template = computed((): TemplateFor | null => {
  if (own.value) return { by: "new", name: name.value.trim(), copy_of: copyOf.value || null };
  return server.value === null ? null : { by: "template", id: server.value };
});
async function add(): Promise<void> {
  if (!template.value) return;
  const body = { name: name.value, fields: fields.value, template: template.value };
  const { data, error } = await ask(api.POST("/api/types", { body }));
  problem.value = error ?? null;
  if (data) await router.push({ name: "desk", params: { id: data.template }, query: { product: data.sample } });
}
</script>

<template>
  <DialogSheet
    :title="say('new-type-dialog-new-product-type')"
    :width="640"
    :act="say('new-type-dialog-compose-their-page')"
    :ready="name.trim() !== '' && template !== null"
    @submit.prevent="add"
    @close="emit('close')"
  >
    <p class="soft">
      {{ say("new-type-dialog-before-first-product-exists") }}
    </p>
    <ProblemNote :problem="problem" />
    <div v-if="view" class="all">
      <div class="row">
        <label>
          <span class="soft">{{ say("new-type-dialog-name") }}</span>
          <TextInput v-model="name" maxlength="120" required :placeholder="say('new-type-dialog-power-kites')" />
        </label>
        <label>
          <span class="soft">{{ say("new-type-dialog-begin-what-another-type") }}</span>
          <PickField v-model="like">
            <option value="">{{ say("new-type-dialog-no-other-type") }}</option>
            <option v-for="type in view.types" :key="type.kind.handle" :value="type.kind.handle">
              {{ type.kind.name }}
            </option>
          </PickField>
        </label>
      </div>
      <h2>{{ say("new-type-dialog-what-they-have") }}</h2>
      <FieldsForm
        v-model="fields"
        :inert="reading"
        :currency="view.currency"
        :decimals="view.decimals"
        :known-tags="view.tags"
      />
      <h2>{{ say("new-type-dialog-their-page") }}</h2>
      <div class="row">
        <label class="tick">
          <RadioBox v-model="own" :value="false" name="served" />
          <span>{{ say("new-type-dialog-template-you-have-already") }}</span>
        </label>
        <PickField v-model="server" :aria-label="say('new-type-dialog-template-serves-them')" :disabled="own">
          <option v-for="one in servers" :key="one.id" :value="one.id">{{ one.name }}</option>
        </PickField>
        <label class="tick">
          <RadioBox v-model="own" :value="true" name="served" />
          <span>{{ say("new-type-dialog-template-their-own-copy") }}</span>
        </label>
        <PickField v-model="copyOf" :aria-label="say('new-type-dialog-template-copied')" :disabled="!own">
          <option value="">{{ say("new-type-dialog-none-begins-empty") }}</option>
          <option v-for="one in view.templates" :key="one.id" :value="one.id">{{ one.name }}</option>
        </PickField>
      </div>
    </div>
  </DialogSheet>
</template>

<style scoped src="../../ui/form.css"></style>
<style scoped>
.row {
  grid-template-columns: 1fr 1fr;
  gap: 8px 14px;
  align-items: center;
}
</style>
