<script setup lang="ts">
import {
  mdiFormatBold,
  mdiFormatHeader2,
  mdiFormatHeader3,
  mdiFormatItalic,
  mdiFormatListBulleted,
  mdiFormatListNumbered,
  mdiLink,
} from "@mdi/js";
import { Editor } from "@tiptap/core";
import StarterKit from "@tiptap/starter-kit";
import { onBeforeUnmount, onMounted, ref, shallowRef, watch } from "vue";
import { useTyping } from "../../useTyping";
import TextInput from "../../../../ui/fields/TextInput.vue";
import { LOCALE, say } from "../../../../words";

/** Formatted text: headings, lists, links, emphasis. What is pasted loses all else; the server cleans it once more. */
const props = defineProps<{ modelValue: string; most: number; labelledby: string }>();
const emit = defineEmits<{ "update:modelValue": [html: string] }>();
const place = ref<HTMLElement | null>(null);
const editor = shallowRef<Editor | null>(null);
const turn = ref(0);
const problem = ref("");
const typing = useTyping(keep, () => editor.value?.commands.setContent(props.modelValue));

onMounted(() => {
  editor.value = new Editor({
    element: place.value,
    content: props.modelValue,
    extensions: [
      StarterKit.configure({
        heading: { levels: [2, 3] },
        code: false,
        codeBlock: false,
        link: { openOnClick: false, autolink: false, protocols: ["mailto", "tel"] },
      }),
    ],
    editorProps: {
      attributes: { "aria-labelledby": props.labelledby, role: "textbox", "aria-multiline": "true" },
      handlePaste: (_, event) => tooMuch(event),
    },
    onUpdate: () => {
      if (length() <= props.most) problem.value = "";
      typing.go();
    },
    onSelectionUpdate: () => (turn.value += 1),
    onTransaction: () => (turn.value += 1),
    onBlur: () => typing.end(),
  });
});
onBeforeUnmount(() => editor.value?.destroy());
watch(
  () => props.modelValue,
  (html) => {
    if (!typing.busy.value && editor.value && html !== editor.value.getHTML()) editor.value.commands.setContent(html);
  },
);

function length(): number {
  return editor.value?.getHTML().length ?? 0;
}

/** A paste that is too long is left alone as a whole, so that nothing is cut off unseen. */
function tooMuch(event: ClipboardEvent): boolean {
  const text = event.clipboardData?.getData("text/plain") ?? "";
  if (text.length + length() <= props.most) return false;
  const count = text.length.toLocaleString(LOCALE);
  problem.value = say("rich-field-characters-more-text-holds", { count, most: props.most.toLocaleString(LOCALE) });
  return true;
}

function keep(): boolean {
  const html = editor.value?.getHTML() ?? "";
  const empty = html === "<p></p>" ? "" : html;
  if (empty === props.modelValue) return true;
  if (empty.length > props.most) {
    problem.value = say("rich-field-text-characters-too-long", {
      count: (empty.length - props.most).toLocaleString(LOCALE),
    });
    return false;
  }
  emit("update:modelValue", empty);
  return true;
}

const ACTS = [
  {
    name: say("rich-field-heading"),
    icon: mdiFormatHeader2,
    mark: ["heading", { level: 2 }],
    run: (e: Editor) => e.chain().focus().toggleHeading({ level: 2 }).run(),
  },
  {
    name: say("rich-field-subheading"),
    icon: mdiFormatHeader3,
    mark: ["heading", { level: 3 }],
    run: (e: Editor) => e.chain().focus().toggleHeading({ level: 3 }).run(),
  },
  {
    name: say("rich-field-strong"),
    icon: mdiFormatBold,
    mark: ["bold", {}],
    run: (e: Editor) => e.chain().focus().toggleBold().run(),
  },
  {
    name: say("rich-field-emphasis"),
    icon: mdiFormatItalic,
    mark: ["italic", {}],
    run: (e: Editor) => e.chain().focus().toggleItalic().run(),
  },
  {
    name: say("rich-field-list"),
    icon: mdiFormatListBulleted,
    mark: ["bulletList", {}],
    run: (e: Editor) => e.chain().focus().toggleBulletList().run(),
  },
  {
    name: say("rich-field-numbered-list"),
    icon: mdiFormatListNumbered,
    mark: ["orderedList", {}],
    run: (e: Editor) => e.chain().focus().toggleOrderedList().run(),
  },
] as const;

function isOn(name: string, attributes: object): boolean {
  return turn.value >= 0 && (editor.value?.isActive(name, attributes) ?? false);
}

const linking = ref(false);
const href = ref("");
function askLink(): void {
  href.value = (editor.value?.getAttributes("link").href as string | undefined) ?? "";
  linking.value = true;
}
function setLink(): void {
  const chain = editor.value?.chain().focus().extendMarkRange("link");
  const to = href.value.trim();
  if (to === "") chain?.unsetLink().run();
  else if (/^(https?:\/\/|mailto:|tel:|\/(?!\/))/i.test(to)) chain?.setLink({ href: to }).run();
  else {
    problem.value = say("rich-field-link-begins-https-mailto");
    return;
  }
  problem.value = "";
  linking.value = false;
}
</script>

<template>
  <div class="rich">
    <div class="bar" role="toolbar" :aria-label="say('rich-field-formatting')">
      <button
        v-for="act in ACTS"
        :key="act.name"
        type="button"
        :aria-label="act.name"
        :title="act.name"
        :aria-pressed="isOn(act.mark[0], act.mark[1])"
        @mousedown.prevent
        @click="editor && act.run(editor)"
      >
        <v-icon :icon="act.icon" size="16" />
      </button>
      <button
        type="button"
        :aria-label="say('rich-field-link')"
        :title="say('rich-field-link')"
        :aria-pressed="isOn('link', {})"
        @mousedown.prevent
        @click="askLink"
      >
        <v-icon :icon="mdiLink" size="16" />
      </button>
    </div>
    <form v-if="linking" class="link" @submit.prevent="setLink">
      <TextInput
        v-model="href"
        bare
        :aria-label="say('rich-field-link-leads')"
        :placeholder="say('rich-field-shop-https-mailto')"
      />
      <button class="quiet">{{ href.trim() === "" ? say("rich-field-no-link") : say("rich-field-link") }}</button>
    </form>
    <div ref="place" class="text" />
    <p v-if="problem" class="signal" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.rich {
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--field);
}
.rich:focus-within {
  border-color: var(--accent);
  outline: 1px solid var(--accent);
}
.bar {
  display: flex;
  gap: 2px;
  padding: 3px;
  border-bottom: 1px solid var(--line);
}
.bar button {
  display: grid;
  place-items: center;
  width: 28px;
  height: 26px;
  border-radius: 4px;
  color: var(--soft);
}
.bar button:hover {
  background: var(--paper);
}
.bar [aria-pressed="true"] {
  background: var(--accent-weak);
  color: var(--ink);
}
.link {
  display: flex;
  padding: 4px 8px;
  border-bottom: 1px solid var(--line);
}
.link input {
  flex: 1;
  outline: 0;
}
.text :deep(.tiptap) {
  min-height: 96px;
  max-height: 320px;
  padding: 8px 10px;
  overflow-y: auto;
  outline: 0;
  line-height: 1.45;
}
.text :deep(:is(p, ul, ol, h2, h3, blockquote)) {
  margin: 0 0 6px;
}
.text :deep(h2) {
  font-size: 15px;
}
.text :deep(h3) {
  font-size: 13px;
}
.text :deep(:is(ul, ol)) {
  padding-left: 18px;
}
.text :deep(ul) {
  list-style: disc;
}
.text :deep(ol) {
  list-style: decimal;
}
.signal {
  margin: 0;
  padding: 4px 10px;
  font-size: 12px;
}
</style>
