/** The first letters of somebody's names, where there is little room. */
export function initials(name: string): string {
  return name
    .split(/\s+/)
    .map((part) => part.at(0) ?? "")
    .join("")
    .slice(0, 3);
}
