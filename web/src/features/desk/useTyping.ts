import { onBeforeUnmount, ref } from "vue";
import { useDesk } from "./deskStore";

/** Between two keeps of what is being typed. */
const EVERY_MS = 80;

/** Keeps what is typed while it is typed: as often as the server answers, and once more when the field is left. */
export function useTyping(keep: () => void) {
  const desk = useDesk();
  const busy = ref(false);
  let timer: ReturnType<typeof setTimeout> | undefined;

  function begin(): void {
    busy.value = true;
  }
  function go(): void {
    busy.value = true;
    timer ??= setTimeout(attempt, EVERY_MS);
  }
  /** One keep at a time: while one is under way, what comes after it waits. */
  function attempt(): void {
    timer = undefined;
    if (desk.waiting > 0) timer = setTimeout(attempt, EVERY_MS);
    else keep();
  }
  function end(): void {
    clearTimeout(timer);
    timer = undefined;
    if (busy.value) keep();
    busy.value = false;
  }
  onBeforeUnmount(end);
  return { busy, begin, go, end };
}
