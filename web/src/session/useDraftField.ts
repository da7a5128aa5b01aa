import { computed, nextTick, reactive, ref, shallowRef, watch } from "vue";

/**
 * What is typed into some fields beside what the server has of them. An answer about something else never writes over
 * what is being typed: a field takes over what comes in only where nothing was typed since, or where what was typed has
 * been kept and comes back, perhaps written otherwise.
 */
export function useDraftFields<K extends string>(key: () => unknown, own: () => Record<K, string>) {
  const typed = reactive({ ...own() }) as Record<K, string>;
  const known = { ...own() };
  const sent = new Map<K, string>();

  /** Another thing is shown in these fields. */
  watch(key, () => {
    const now = own();
    for (const field of Object.keys(now) as K[]) {
      typed[field] = known[field] = now[field];
    }
    sent.clear();
  });
  watch(own, (now) => {
    for (const field of Object.keys(now) as K[]) {
      const untouched = typed[field] === known[field] || typed[field] === sent.get(field);
      if (untouched && now[field] !== known[field]) typed[field] = now[field];
      known[field] = now[field];
    }
  });

  /** Whether a field holds something that wasn't kept and isn't on its way. */
  const differs = (field: K): boolean => typed[field].trim() !== known[field] && typed[field] !== sent.get(field);
  /** Keeps a field's text by a way that tells whether it was taken; one that was refused stays to be mended. */
  async function keep(field: K, send: (text: string) => Promise<boolean>): Promise<void> {
    if (!differs(field)) return;
    const [text, before] = [typed[field], known[field]];
    sent.set(field, text);
    const taken = await send(text);
    // Taken as it was before, or written as before: what is known doesn't change by itself.
    if (taken && typed[field] === text) typed[field] = known[field];
    // What is shown while a step waits is let go where it is refused; what was typed isn't. Where somebody else's came
    // first that is shown, and leaving the field again doesn't overwrite it.
    if (!taken) await nextTick();
    if (!taken && typed[field] === known[field] && known[field] === before) typed[field] = text;
    if (sent.get(field) === text) sent.delete(field);
  }
  /** Gives a field back what the server has of it. */
  const undo = (field: K): void => void (typed[field] = known[field]);
  return { typed, known, differs, keep, undo };
}

const clone = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const same = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

/**
 * A form that is kept as a whole, beside what the server has of it. A field takes over what comes in only where nothing
 * was written in it; what comes in for one that is being written is offered beside it.
 */
export function useDraftForm<T extends object>(key: () => string, own: () => T) {
  const form = ref(clone(own())) as { value: T };
  const known = shallowRef(clone(own()));
  /** What each field was made of: what was known when it was begun. */
  const base = shallowRef(clone(own()));

  function reset(): void {
    form.value = clone(own());
    known.value = base.value = clone(own());
  }
  watch(key, reset);
  watch(own, (now) => {
    const next = { ...base.value };
    for (const field of Object.keys(now) as (keyof T)[]) {
      const [written, made, comes] = [form.value[field], base.value[field], now[field]];
      if (same(written, made) && !same(made, comes)) form.value[field] = clone(comes);
      if (same(written, made) || same(written, comes)) next[field] = clone(comes);
    }
    known.value = clone(now);
    base.value = next;
  });

  const changed = computed(() => !same(form.value, known.value));
  /** Fields that somebody else has changed since they were begun here. */
  const met = computed(() =>
    (Object.keys(known.value) as (keyof T)[]).filter(
      (field) => !same(base.value[field], known.value[field]) && !same(form.value[field], known.value[field]),
    ),
  );
  /** Takes what came in for a field in the place of what is written there. */
  function takeTheirs(field: keyof T): void {
    form.value[field] = clone(known.value[field]);
    base.value = { ...base.value, [field]: clone(known.value[field]) };
  }
  /** Keeps the form by a way that tells whether it was taken; what was refused stays to be mended. */
  async function keep(send: (written: T) => Promise<boolean>): Promise<boolean> {
    const written = clone(form.value);
    const mine = (Object.keys(written) as (keyof T)[]).filter((field) => !same(written[field], base.value[field]));
    if (await send(written)) return true;
    await nextTick();
    for (const field of mine) {
      if (same(form.value[field], known.value[field])) form.value[field] = clone(written[field]);
    }
    return false;
  }
  return { form, changed, met, takeTheirs, keep, reset };
}
