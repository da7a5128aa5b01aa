import { type Ref, onBeforeUnmount, onMounted, ref } from "vue";

/** The size of an element, kept up to date. */
export function useResizeObserver(element: Ref<HTMLElement | null>) {
  const size = ref({ width: 0, height: 0 });
  const observer = new ResizeObserver(([entry]) => {
    if (entry) size.value = { width: entry.contentRect.width, height: entry.contentRect.height };
  });
  onMounted(() => element.value && observer.observe(element.value));
  onBeforeUnmount(() => observer.disconnect());
  return size;
}
