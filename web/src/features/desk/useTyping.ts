import { onBeforeUnmount, ref, watch } from "vue";
import { useOutbox } from "../../session/useOutbox";
import { useDesk } from "./deskStore";

/** Between two keeps of what is being typed. */
const EVERY_MS = 80;

/**
 * Keeps what is typed while it is typed: as often as the server answers, and once more when the field is left. While
 * its writer chooses between somebody else's value and their own nothing is kept; then the field shows what was chosen.
 */
export function useTyping(keep: () => void, reset: () => void) {
  const desk = useDesk();
  const outbox = useOutbox();
  const busy = ref(false);
  let last = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  /** Whether something was typed that isn't kept yet, only because a step is under way. */
  let behind = false;

  function begin(): void {
    busy.value = true;
  }
  function go(): void {
    busy.value = true;
    timer ??= setTimeout(attempt, Math.max(0, last + EVERY_MS - performance.now()));
  }
  /** One keep at a time: while one is under way, what comes after it waits. */
  function attempt(): void {
    timer = undefined;
    if (desk.clash) return;
    // Without a connection it is kept here, each time in the place of what wasn't sent.
    behind = desk.waiting > 0 && outbox.stuck === null;
    if (behind) return;
    last = performance.now();
    keep();
  }
  watch(
    () => [desk.waiting, outbox.stuck],
    () => behind && attempt(),
  );
  function end(): void {
    clearTimeout(timer);
    timer = undefined;
    behind = false;
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
