<script setup lang="ts">
import { onMounted, ref } from "vue";
import TextInput from "../../ui/fields/TextInput.vue";
import { useSession } from "./session";
import { say } from "../../words";

/** Email and password, and why they weren't taken. */
const emit = defineEmits<{ done: [] }>();
const session = useSession();
const email = ref("");
const first = ref<InstanceType<typeof TextInput> | null>(null);
onMounted(() => first.value?.focus());
const password = ref("");
const problem = ref("");
const busy = ref(false);

async function submit(): Promise<void> {
  busy.value = true;
  problem.value = (await session.signIn(email.value, password.value))?.message ?? "";
  busy.value = false;
  if (!problem.value) emit("done");
}
</script>

<template>
  <form @submit.prevent="submit">
    <slot />
    <label>
      {{ say("sign-in-form-email") }}
      <TextInput ref="first" v-model="email" type="email" name="email" autocomplete="username" required />
    </label>
    <label>
      {{ say("sign-in-form-password") }}
      <TextInput v-model="password" type="password" name="password" autocomplete="current-password" required />
    </label>
    <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
    <v-btn type="submit" variant="flat" color="primary" block :loading="busy"> {{ say("sign-in-form-sign") }} </v-btn>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
}
label {
  display: grid;
  gap: 4px;
}
p {
  margin: 0;
}
</style>
