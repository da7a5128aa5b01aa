import { FluentBundle, FluentNumber, FluentResource } from "@fluent/bundle";

/**
 * What an owner reads, from the Fluent files of a language: a file for each feature. Another language is another folder
 * of the same files.
 */
const files = import.meta.glob<string>("./en/*.ftl", { query: "?raw", import: "default", eager: true });
/** How dates and numbers are written. */
export const LOCALE = "en-GB";
const bundle = new FluentBundle(LOCALE, { useIsolating: false });
for (const text of Object.values(files)) bundle.addResource(new FluentResource(text));

type Arg = string | number | null | undefined;

/** A message by its name, with what stands in its gaps. Numbers decide about plurals, and are written without grouping. */
export function say(name: string, args: Record<string, Arg> = {}): string {
  const message = bundle.getMessage(name);
  if (!message?.value) return name;
  const gaps = Object.entries(args).map(([gap, value]) => [
    gap,
    typeof value === "number" ? new FluentNumber(value, { useGrouping: false }) : (value ?? ""),
  ]);
  return bundle.formatPattern(message.value, Object.fromEntries(gaps), []);
}
