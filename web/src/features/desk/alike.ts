/** What of a page can be seen: not the fields and addresses that a form carries along, which tell of the state itself. */
export function seenOf(html: string): string {
  const main = /<main[^>]*>([\s\S]*)<\/main>/.exec(html)?.[1] ?? html;
  return main
    .replace(/<input type="hidden"[^>]*>/g, "")
    .replace(/\s(?:data-[\w-]+|href|action|id|for|name)="[^"]*"/g, "");
}

/** Puts together, in their order, those of which the same can be seen; what isn't known yet stands alone. */
export function together<T>(all: T[], seen: (one: T) => string | undefined): T[][] {
  const groups: T[][] = [];
  for (const one of all) {
    const own = seen(one);
    const group = own === undefined ? undefined : groups.find(([first]) => first !== undefined && seen(first) === own);
    if (group) group.push(one);
    else groups.push([one]);
  }
  return groups;
}
