<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from "vue";
import { proofHtml } from "../api/client";
import { say } from "../words";
import { useResizeObserver } from "./useResizeObserver";

/** A page drawn small, loaded once it comes into sight and let go when it is far from it; it can't be entered. */
const props = defineProps<{
  address: string | null;
  name: string;
  width: number;
  /** Of the page in its own pixels; with `fit` the most that is shown of a page that may be shorter. */
  height: number;
  fit?: boolean;
}>();
const emit = defineEmits<{ drawn: [html: string] }>();
/** Where only the beginning of a page is shown, no more of it is laid out. */
const BEGINNING = "<style>.band{content-visibility:auto;contain-intrinsic-block-size:auto 400px}</style></head>";
const tall = ref<number | null>(null);
const shown = computed(() => (props.fit && tall.value ? Math.min(tall.value, props.height) : props.height));

function measure(event: Event): void {
  const page = (event.target as HTMLIFrameElement).contentDocument;
  tall.value = page?.querySelector("main")?.scrollHeight ?? null;
}
const html = ref<string | null>(null);
const failed = ref(false);
const seen = ref(false);
const holder = ref<HTMLElement | null>(null);
const room = useResizeObserver(holder);
let observer: IntersectionObserver | undefined;

onMounted(() => {
  observer = new IntersectionObserver(
    (entries) => {
      seen.value = entries.at(-1)?.isIntersecting ?? false;
    },
    { rootMargin: "160px" },
  );
  if (holder.value) observer.observe(holder.value);
});
onBeforeUnmount(() => observer?.disconnect());

watch(
  [seen, () => props.address],
  async ([inSight, address]) => {
    // However many there are, few pages live at a time.
    if (!inSight) html.value = null;
    if (!inSight || !address) return;
    const { data } = await proofHtml(address);
    if (address !== props.address || !seen.value) return;
    failed.value = data === undefined;
    // Nothing in it needs to run.
    if (data !== undefined) {
      const still = data.replace(/<script type="module"[^>]*><\/script>/, "");
      html.value = props.fit ? still : still.replace("</head>", BEGINNING);
      emit("drawn", data);
    }
  },
  { immediate: true },
);
</script>

<template>
  <span ref="holder" class="thumb" :style="{ aspectRatio: `${width} / ${shown}` }">
    <iframe
      v-if="html !== null"
      :srcdoc="html"
      :title="name"
      scrolling="no"
      tabindex="-1"
      inert
      :style="{ width: `${width}px`, height: `${height}px`, transform: `scale(${room.width / width})` }"
      @load="measure"
    />
    <span v-else class="wait soft">{{ failed ? say("page-thumb-page-cant-drawn-now") : "" }}</span>
  </span>
</template>

<style scoped>
.thumb {
  position: relative;
  display: block;
  width: 100%;
  overflow: hidden;
  background: var(--page);
}
iframe {
  position: absolute;
  top: 0;
  left: 0;
  border: 0;
  transform-origin: 0 0;
  pointer-events: none;
}
.wait {
  position: absolute;
  inset: 0;
  display: grid;
  place-items: center;
  padding: 8px;
  font-size: 12px;
  text-align: center;
}
</style>
