import { say } from "../../words";

/** Bytes as a person reads them: *96 kB*, *1.4 MB*. */
export function kilobytes(bytes: number): string {
  const kB = bytes / 1000;
  return kB >= 1000 ? say("kilobytes-mb", { kB: (kB / 1000).toFixed(1) }) : say("kilobytes-kb", { kB: Math.round(kB) });
}
