<script setup lang="ts">
import { ref } from "vue";
import { useDialogFocus } from "./useDialogFocus";
import { say } from "../words";

/** A dialog: what it is about at the top, one foot at the bottom, and between them what scrolls where it is long. It is
 * a form where somebody hears its `submit`. */
defineOptions({ inheritAttrs: false });
const props = withDefaults(
  defineProps<{
    title: string;
    /** What it is called where it is read out, if that isn't its title. */
    label?: string;
    width: number;
    /** What its one act is called; that act is its `submit`. */
    act?: string;
    ready?: boolean;
    /** What closing it without the act is called. */
    leave?: string;
    /** It stays until something in it is chosen. */
    persistent?: boolean;
    /** Does its act. */
    onSubmit?: (event: Event) => unknown;
  }>(),
  { label: undefined, act: "", ready: true, leave: say("dialog-sheet-cancel"), onSubmit: undefined },
);
const open = defineModel<boolean>({ default: true });
const emit = defineEmits<{ close: [] }>();
function close(): void {
  open.value = false;
  emit("close");
}
/** However often it is pressed, it is done once at a time. */
const doing = ref(false);
async function submit(event: Event): Promise<void> {
  if (doing.value) return event.preventDefault();
  doing.value = true;
  try {
    await props.onSubmit?.(event);
  } finally {
    doing.value = false;
  }
}
const { begin } = useDialogFocus(open);
</script>

<template>
  <v-dialog
    :model-value="open"
    :max-width="width"
    :persistent="persistent"
    scrollable
    :aria-label="label ?? title"
    @update:model-value="close"
  >
    <component
      :is="onSubmit ? 'form' : 'div'"
      class="dialog-sheet"
      v-bind="$attrs"
      v-on="onSubmit ? { submit } : {}"
      @vue:mounted="begin($event.el)"
      @vue:updated="begin($event.el)"
    >
      <div class="head">
        <h1>{{ title }}</h1>
        <slot name="beside" />
      </div>
      <div class="body"><slot /></div>
      <div v-if="act || leave || $slots.acts" class="foot">
        <span class="first"><slot name="first" /></span>
        <v-btn v-if="leave" variant="text" :disabled="persistent" @click="close">{{ leave }}</v-btn>
        <slot name="acts" />
        <v-btn v-if="act" type="submit" variant="flat" color="primary" :disabled="!ready" :loading="doing">{{
          act
        }}</v-btn>
      </div>
    </component>
  </v-dialog>
</template>

<style scoped>
.dialog-sheet {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-radius: 6px;
  background: var(--sheet);
}
.head,
.foot {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  padding: 20px 24px 14px;
}
h1 {
  margin-right: auto;
  overflow-wrap: anywhere;
}
.foot {
  gap: 8px;
  justify-content: flex-end;
  padding: 14px 24px 20px;
}
.body {
  display: grid;
  gap: 14px;
  min-height: 0;
  padding: 4px 24px;
  overflow-y: auto;
}
.body > :slotted(p) {
  margin: 0;
}
.first {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-right: auto;
}
</style>
