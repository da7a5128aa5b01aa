import { reactive, watch } from "vue";

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
    const text = typed[field];
    sent.set(field, text);
    const taken = await send(text);
    // Taken as it was before, or written as before: what is known doesn't change by itself.
    if (taken && typed[field] === text) typed[field] = known[field];
    if (sent.get(field) === text) sent.delete(field);
  }
  /** Gives a field back what the server has of it. */
  const undo = (field: K): void => void (typed[field] = known[field]);
  return { typed, known, differs, keep, undo };
}
