/** A step as it is kept until it is answered: a request that changes something. */
export interface Step {
  /** Has the server take it once, however often it comes: its line, a dot, its number. */
  key: string;
  /** The tab in which it was made; steps of a line were made one upon another. */
  line: string;
  /** Orders the steps of a line; milliseconds since 1970, or one more than the step before. */
  number: number;
  owner: string;
  /** What it is on, as `template-12`. */
  thing: string;
  /** What an owner calls that. */
  called: string;
  /** What of it is set. A newer step on the same takes the place of one that was never sent. */
  slot: string;
  method: string;
  address: string;
  headers: Record<string, string>;
  body: string;
}

/** What is asked of a step's maker: everything but what the outbox knows by itself. */
export type Asked = Omit<Step, "key" | "line" | "number" | "owner">;

/** Where steps are kept, so that a closed tab or a crash loses none. */
export interface Keep {
  put: (step: Step) => Promise<unknown>;
  drop: (key: string) => Promise<unknown>;
}

/** Why nothing is sent: nobody answers, or the session is over. */
export type Stuck = "offline" | "signed_out";
export interface Told {
  /** Steps that aren't answered yet. */
  waiting: number;
  /** Steps that were taken so far. */
  taken: number;
  stuck: Stuck | null;
  /** Whether something waits that couldn't be kept here: it would be lost with the tab. */
  unkept: boolean;
}

interface Waiting {
  step: Step;
  sent: boolean;
  kept: Promise<boolean>;
  /** Whether it is known to be kept. */
  safe: boolean;
  answered: (answer: Response) => void;
}

export interface Parts {
  line: string;
  keep: Keep;
  /** Sends a step once; fails where nobody answers. */
  carry: (step: Step) => Promise<Response>;
  /** Waits so many milliseconds, or until it is woken. */
  pause: (ms: number) => Promise<void>;
  now: () => number;
  tell: (told: Told) => void;
}

/** Milliseconds between two tries while nobody answers; the last one again and again. */
const PAUSES = [300, 1000, 3000, 5000, 10_000];
/** Said by whoever stands before a server that isn't there. */
const NOBODY_THERE = [502, 503, 504];
const SIGNED_OUT = 401;

/**
 * The one way in which steps leave the browser: in the order in which they were made, each until it is answered, again by
 * itself with growing pauses while nobody answers. A step is kept from when it is made until it is answered. While the
 * session is over all wait until somebody has signed in again.
 */
export class Outbox {
  private all: Waiting[] = [];
  private last = 0;
  private running = false;
  private taken = 0;
  private stuck: Stuck | null = null;

  constructor(private readonly parts: Parts) {}

  get line(): string {
    return this.parts.line;
  }
  /** Steps that aren't answered yet, in their order. */
  get steps(): Step[] {
    return this.all.map((one) => one.step);
  }

  /** Takes a step; gives what it was answered in the end. */
  add(asked: Asked, owner: string): Promise<Response> {
    const { line, now } = this.parts;
    const number = (this.last = Math.max(this.last + 1, now()));
    const latest = this.all.at(-1);
    const same = latest && !latest.sent && asked.slot !== "" && latest.step.slot === asked.slot;
    if (same && latest.step.thing === asked.thing && latest.step.owner === owner) return this.replace(latest, asked);
    return this.put({ ...asked, key: `${line}.${number}`, line, number, owner });
  }

  /** Takes over steps that another tab or an earlier visit has left behind; gives what each was answered. */
  adopt(steps: Step[]): Promise<Response>[] {
    return steps.map((step) => this.put(step, true));
  }

  /** Sends what waits: the connection is back, or somebody has signed in. */
  goOn(): void {
    this.stuck = null;
    void this.run();
  }

  private put(step: Step, sent = false): Promise<Response> {
    this.last = Math.max(this.last, step.number);
    return new Promise((answered) => {
      const one: Waiting = { step, sent, safe: false, kept: Promise.resolve(true), answered };
      this.all.push(one);
      this.keepIt(one);
      this.tell();
      void this.run();
    });
  }

  /** What a newer step takes the place of is answered as that one is. */
  private replace(one: Waiting, asked: Asked): Promise<Response> {
    one.step = { ...one.step, ...asked };
    this.keepIt(one);
    const { answered } = one;
    return new Promise((also) => {
      one.answered = (answer) => {
        answered(answer.clone());
        also(answer);
      };
      this.tell();
    });
  }

  private keepIt(one: Waiting): void {
    one.safe = false;
    const kept = this.parts.keep.put({ ...one.step }).then(
      () => true,
      () => false,
    );
    one.kept = kept;
    void kept.then((safe) => {
      if (one.kept !== kept) return;
      one.safe = safe;
      this.tell();
    });
  }

  private async run(): Promise<void> {
    if (this.running || this.stuck === "signed_out") return;
    this.running = true;
    for (let tries = 0; this.all.length > 0;) {
      const [one] = this.all;
      if (!one) break;
      one.sent = true;
      const answer = await this.parts.carry(one.step).catch(() => null);
      if (answer?.status === SIGNED_OUT) {
        this.stuck = "signed_out";
        break;
      }
      if (answer && !NOBODY_THERE.includes(answer.status)) {
        tries = 0;
        this.stuck = null;
        this.done(one, answer);
        continue;
      }
      this.stuck = "offline";
      this.tell();
      await this.parts.pause(PAUSES[Math.min(tries, PAUSES.length - 1)] ?? 0);
      tries += 1;
    }
    this.running = false;
    this.tell();
  }

  private done(one: Waiting, answer: Response): void {
    this.all = this.all.filter((other) => other !== one);
    if (answer.ok) this.taken += 1;
    // Only once it is kept can it be dropped.
    void one.kept.then(() => this.parts.keep.drop(one.step.key)).catch(() => undefined);
    one.answered(answer);
    this.tell();
  }

  private tell(): void {
    const unkept = this.all.some((one) => !one.safe);
    this.parts.tell({ waiting: this.all.length, taken: this.taken, stuck: this.stuck, unkept });
  }
}
