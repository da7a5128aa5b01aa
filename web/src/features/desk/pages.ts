import type { Schemas } from "../../api/client";

/** Answers to steps that were made together come one after another, each to the page that its step was made on. */
const MOST = 8;

/** Pages that came with answers, each whole or as what differs from one that was here already. */
export class Pages {
  private readonly all = new Map<string, string>();

  /** The name of the newest. */
  get newest(): string | null {
    return [...this.all.keys()].at(-1) ?? null;
  }

  /** The page that came; none where what it differs from isn't here any more. */
  take(came: Schemas["PageView"]): string | null {
    const html = came.html ?? cutFrom(this.all.get(came.of ?? ""), came.cuts);
    if (html === null) return null;
    this.all.delete(came.name);
    this.all.set(came.name, html);
    const [oldest] = this.all.keys();
    if (this.all.size > MOST && oldest !== undefined) this.all.delete(oldest);
    return html;
  }
}

function cutFrom(before: string | undefined, cuts: Schemas["Cut"][]): string | null {
  if (before === undefined) return null;
  let at = 0;
  const parts = cuts.flatMap(({ from, to, text }) => {
    const kept = before.slice(at, from);
    at = to;
    return [kept, text];
  });
  return parts.join("") + before.slice(at);
}
