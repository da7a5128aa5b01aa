import { onBeforeUnmount, ref, watch } from "vue";
import { useOutbox } from "../../session/useOutbox";
import { useDesk } from "./deskStore";

/** Between two keeps of what is being typed. */
const EVERY_MS = 80;

/**
 * Keeps what is typed while it is typed: as often as the server answers, and once more when the field is left. A field
 * in which nothing was typed keeps nothing when it is left: what came in meanwhile stands. While its writer chooses
 * between somebody else's value and their own nothing is kept; then the field shows what was chosen.
 *
 * `keep` tells whether nothing is left to be kept.
 */
export function useTyping(keep: () => boolean, reset: () => void) {
  const desk = useDesk();
  const outbox = useOutbox();
  /** Whether something was typed since the field was entered: it isn't overwritten. */
  const busy = ref(false);
  /** Whether something of that isn't on its way yet. */
  let typed = false;
  let last = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  /** Whether something was typed that isn't kept yet, only because a step is under way. */
  let behind = false;

  /** Something was typed that is kept when the field is left. */
  function begin(): void {
    busy.value = typed = true;
  }
  /** Something was typed that is kept at once. */
  function go(): void {
    begin();
    const wait = last + EVERY_MS - performance.now();
    // A timer would come after the frame that shows what was typed here, and hold up the proofs.
    if (wait <= 0 && timer === undefined) queueMicrotask(attempt);
    else timer ??= setTimeout(attempt, Math.max(0, wait));
  }
  /** One keep at a time: while one is under way, what comes after it waits. */
  function attempt(): void {
    timer = undefined;
    if (!typed || desk.clash) return;
    // Without a connection it is kept here, each time in the place of what wasn't sent.
    behind = desk.waiting > 0 && outbox.stuck === null;
    if (behind) return;
    last = performance.now();
    typed = !keep();
  }
  watch(
    () => [desk.waiting, outbox.stuck],
    () => behind && attempt(),
  );
  function end(): void {
    clearTimeout(timer);
    timer = undefined;
    behind = false;
    busy.value = false;
    if (typed && !desk.clash) keep();
    typed = false;
  }
  watch(
    () => desk.clash,
    (now, before) => {
      if (now || !before) return;
      busy.value = typed = false;
      reset();
    },
  );
  onBeforeUnmount(end);
  return { busy, begin, go, end };
}
