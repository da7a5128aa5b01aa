import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Keep, Step } from "./outbox";

interface Kept extends DBSchema {
  steps: { key: string; value: Step };
}

/** Steps in this browser's own database, until they are answered. */
export class BrowserKeep implements Keep {
  private readonly opened: Promise<IDBPDatabase<Kept>>;
  private database: IDBPDatabase<Kept> | null = null;

  constructor(name = "compagina") {
    this.opened = openDB<Kept>(name, 1, {
      upgrade: (database) => void database.createObjectStore("steps", { keyPath: "key" }),
    });
    this.opened.then(
      (database) => (this.database = database),
      // Each who asks for it hears why.
      () => undefined,
    );
  }

  /** Begun before this returns once the database is open: a tab that is closed now loses nothing. */
  put(step: Step): Promise<unknown> {
    if (this.database) return this.database.put("steps", step);
    return this.opened.then((database) => database.put("steps", step));
  }
  async drop(key: string): Promise<void> {
    await (await this.opened).delete("steps", key);
  }
  /** All that is kept, of every line and owner, in the order in which it was made. */
  async all(): Promise<Step[]> {
    const steps = await (await this.opened).getAll("steps");
    return steps.sort((a, b) => a.number - b.number);
  }
}
