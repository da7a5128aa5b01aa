import { randomName } from "../api/client";

const NAME = "compagina-line";

const lockOf = (line: string): string => `${NAME}-${line}`;

/** Holds a line for as long as this page is open; tells whether it could be held. */
function hold(line: string): Promise<boolean> {
  return new Promise((told) => {
    void navigator.locks.request(lockOf(line), { ifAvailable: true }, (lock) => {
      told(lock !== null);
      return lock === null ? undefined : new Promise(() => undefined);
    });
  });
}

/**
 * The line of this tab: the one that it had before it was loaded anew, or a new one. A tab that was made as a copy of
 * another gets one of its own.
 */
export async function lineOfTab(): Promise<string> {
  const before = sessionStorage.getItem(NAME);
  const locks = "locks" in navigator;
  if (before && (!locks || (await hold(before)))) return before;
  const line = randomName();
  if (locks) await hold(line);
  sessionStorage.setItem(NAME, line);
  return line;
}

/** The lines of tabs that are open now; none where the browser can't tell. */
export async function openLines(): Promise<Set<string> | null> {
  if (!("locks" in navigator)) return null;
  const { held } = await navigator.locks.query();
  return new Set(
    (held ?? []).flatMap((lock) => (lock.name?.startsWith(`${NAME}-`) ? [lock.name.slice(NAME.length + 1)] : [])),
  );
}
