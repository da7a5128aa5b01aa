import { onBeforeUnmount, ref, watch } from "vue";
import { useDesk } from "./deskStore";

/** Between two keeps of what is being typed. */
const EVERY_MS = 80;

/**
 * Keeps what is typed while it is typed: as often as the server answers, and once more when the field is left. While
 * its writer chooses between somebody else's value and their own nothing is kept; then the field shows what was chosen.
 */
export function useTyping(keep: () => void, reset: () => void) {
  const desk = useDesk();
  const busy = ref(false);
  let last = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;

  function begin(): void {
    busy.value = true;
  }
  function go(): void {
    busy.value = true;
    if (timer !== undefined) return;
    timer = setTimeout(attempt, performance.now() - last < EVERY_MS || desk.waiting > 0 ? EVERY_MS : 0);
  }
  /** One keep at a time: while one is under way, what comes after it waits. */
  function attempt(): void {
    timer = undefined;
    if (desk.clash) return;
    if (desk.waiting > 0) timer = setTimeout(attempt, EVERY_MS);
    else {
      last = performance.now();
      keep();
    }
  }
  function end(): void {
    clearTimeout(timer);
    timer = undefined;
    if (busy.value && !desk.clash) keep();
    busy.value = false;
  }
  watch(
    () => desk.clash,
    (now, before) => {
      if (now || !before) return;
      busy.value = false;
      reset();
    },
  );
  onBeforeUnmount(end);
  return { busy, begin, go, end };
}
