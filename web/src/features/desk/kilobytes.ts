/** Bytes as a person reads them: *96 kB*, *1.4 MB*. */
export function kilobytes(bytes: number): string {
  const kB = bytes / 1000;
  return kB >= 1000 ? `${(kB / 1000).toFixed(1)} MB` : `${Math.round(kB)} kB`;
}
