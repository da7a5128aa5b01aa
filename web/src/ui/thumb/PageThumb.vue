<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from "vue";
import { proofHtml } from "../../api/client";
import { say } from "../../words";
import { useResizeObserver } from "../useResizeObserver";
import { whenIdle } from "../whenIdle";
import { drawIn, letGoFrame, takeFrame } from "./frames";

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

const drawn = ref(false);
const failed = ref(false);
const seen = ref(false);
const holder = ref<HTMLElement | null>(null);
const place = ref<HTMLElement | null>(null);
const room = useResizeObserver(holder);
let frame: HTMLIFrameElement | undefined;
let observer: IntersectionObserver | undefined;

function letGo(): void {
  if (frame) letGoFrame(frame);
  frame = undefined;
  drawn.value = false;
}

function draw(html: string): void {
  if (!place.value) return;
  frame ??= takeFrame(place.value);
  const page = frame;
  page.title = props.name;
  page.onload = () => {
    if (props.fit) tall.value = page.contentDocument?.querySelector("main")?.scrollHeight ?? null;
  };
  drawIn(page, html);
  drawn.value = true;
}

onMounted(() => {
  observer = new IntersectionObserver(
    (entries) => {
      seen.value = entries.at(-1)?.isIntersecting ?? false;
    },
    { rootMargin: "40px" },
  );
  if (holder.value) observer.observe(holder.value);
});
onBeforeUnmount(() => {
  observer?.disconnect();
  letGo();
});

watch(
  [seen, () => props.address],
  async ([inSight, address]) => {
    // However many there are, few pages live at a time.
    if (!inSight) letGo();
    if (!inSight || !address) return;
    const { data } = await proofHtml(address);
    // Drawing takes a while.
    await whenIdle();
    if (address !== props.address || !seen.value) return;
    failed.value = data === undefined;
    // Nothing in it needs to run.
    if (data !== undefined) {
      const still = data.replace(/<script type="module"[^>]*><\/script>/, "");
      draw(props.fit ? still : still.replace("</head>", BEGINNING));
      emit("drawn", data);
    }
  },
  { immediate: true },
);
</script>

<template>
  <span ref="holder" class="thumb" :style="{ aspectRatio: `${width} / ${shown}` }">
    <span
      ref="place"
      class="place"
      :style="{ width: `${width}px`, height: `${height}px`, transform: `scale(${room.width / width})` }"
    />
    <span v-if="!drawn" class="wait soft">{{ failed ? say("page-thumb-page-cant-drawn-now") : "" }}</span>
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
.place {
  position: absolute;
  top: 0;
  left: 0;
  transform-origin: 0 0;
  pointer-events: none;
}
.place :deep(iframe) {
  display: block;
  width: 100%;
  height: 100%;
  border: 0;
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
