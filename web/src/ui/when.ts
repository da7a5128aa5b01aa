/** When something was, for who looks back at it in a list. */
export function when(at: string): string {
  return new Date(at).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });
}

/** A time to come on the shop's clocks, as in “1 December” or “24 December, 09:00”; with the year where it is another. */
export function onThe(local: string): string {
  const at = new Date(local);
  const year = at.getFullYear() === new Date().getFullYear() ? {} : ({ year: "numeric" } as const);
  const day = at.toLocaleDateString("en-GB", { day: "numeric", month: "long", ...year });
  const time = local.slice(11, 16);
  return time === "00:00" ? day : `${day}, ${time}`;
}
