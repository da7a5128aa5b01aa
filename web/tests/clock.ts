/** Time that passes only where one waits: timers go off in their order. */
export class Clock {
  now = 1000;
  private timers: { at: number; go: () => void }[] = [];
  pause = (ms: number): Promise<void> => new Promise((go) => this.timers.push({ at: this.now + ms, go }));
  async pass(ms: number): Promise<void> {
    const until = this.now + ms;
    for (;;) {
      await settle();
      this.timers.sort((a, b) => a.at - b.at);
      const next = this.timers[0];
      if (!next || next.at > until) break;
      this.timers.shift();
      this.now = next.at;
      next.go();
    }
    this.now = until;
  }
}
/** Lets everything go on that waits for nothing but its turn. */
export async function settle(): Promise<void> {
  for (let turn = 0; turn < 8; turn += 1) await new Promise((go) => setImmediate(go));
}
