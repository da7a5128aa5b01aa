/** Something that is otherwise: a draft (`template-12`, `house`), something of the catalogue (`product/7`), who is there. */
export interface Said {
  thing: string;
  /** The revision that it has now, where its changes are counted. */
  revision?: number | null;
  /** Of a desk (`here/12`): everybody who is there. */
  present?: Present[] | null;
}
export interface Present {
  name: string;
  place: string;
  chosen: string;
}
/** What was said since a mark. */
export interface Heard {
  /** Whether something may have been missed: everything is better read anew. */
  anew: boolean;
  said: Said[];
}
export interface Told extends Heard {
  mark: string;
}

export interface Parts {
  /** Opens a stream of what is said after a mark; `ended` when it can't go on. Gives how it is closed. */
  stream: (after: string | null, told: (told: Told) => void, ended: () => void) => () => void;
  /** Asks once; nothing where nobody answers. */
  ask: (after: string | null) => Promise<Told | null>;
  /** Waits so many milliseconds, or until it is woken. */
  pause: (ms: number) => Promise<void>;
  now: () => number;
  tell: (told: Told) => void;
}

/** A stream begins at once and gives a sign every ten seconds: without it, it is taken to be held up on its way. */
const BEGINS_MS = 4000;
const SILENT_MS = 25_000;
/** So often it is asked where there is no stream. */
const ASK_MS = 1500;
/** Milliseconds for which it is asked until a stream is tried again; the last one again and again. */
const ASK_FOR = [15_000, 60_000, 300_000];

/**
 * Hears what becomes otherwise on the server: by a stream, or by asking where none comes through. It ends and begins anew
 * by itself, and goes on from what was told last.
 */
export class Feed {
  private mark: string | null = null;
  /** Counts the beginnings: what was begun before ends. */
  private turn = 0;
  private close = (): void => undefined;
  private isStreaming = false;

  constructor(private readonly parts: Parts) {}

  /** Whether a stream is open. */
  get streaming(): boolean {
    return this.isStreaming;
  }

  begin(): void {
    this.end();
    void this.run(this.turn);
  }
  end(): void {
    this.turn += 1;
    this.close();
  }

  private async run(turn: number): Promise<void> {
    for (let tries = 0; turn === this.turn;) {
      tries = (await this.streamed(turn)) ? 0 : tries + 1;
      if (turn === this.turn)
        await this.asked(turn, tries === 0 ? 0 : (ASK_FOR[Math.min(tries, ASK_FOR.length) - 1] ?? 0));
    }
  }

  /** Follows a stream until it ends; tells whether one came. */
  private streamed(turn: number): Promise<boolean> {
    const { stream, now, pause } = this.parts;
    return new Promise((done) => {
      let [came, heard, over] = [false, now(), false];
      const ended = (): void => {
        if (over) return;
        over = true;
        this.isStreaming = false;
        close();
        done(came);
      };
      const close = stream(
        this.mark,
        (told) => {
          if (over) return;
          [came, heard, this.isStreaming] = [true, now(), true];
          this.hear(told, turn);
        },
        ended,
      );
      this.close = ended;
      const watch = async (): Promise<void> => {
        await pause(BEGINS_MS);
        while (!over && came && now() - heard < SILENT_MS) await pause(BEGINS_MS);
        ended();
      };
      void watch();
    });
  }

  /** Asks for so long, or until somebody answers again who didn't; at least once. */
  private async asked(turn: number, ms: number): Promise<void> {
    const { ask, now, pause } = this.parts;
    const until = now() + ms;
    for (let missed = false; turn === this.turn;) {
      const told = await ask(this.mark);
      if (told) this.hear(told, turn);
      if (turn !== this.turn || (told && missed) || (told && now() >= until)) return;
      missed = !told;
      await pause(ASK_MS);
    }
  }

  private hear(told: Told, turn: number): void {
    if (turn !== this.turn) return;
    this.mark = told.mark;
    this.parts.tell(told);
  }
}
