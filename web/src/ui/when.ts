import { LOCALE } from "../words";

/** The year, where it isn't this one. */
function otherYear(at: Date): { year?: "numeric" } {
  return at.getFullYear() === new Date().getFullYear() ? {} : { year: "numeric" };
}

/** When something was, for who looks back at it in a list. */
export function when(moment: string): string {
  const at = new Date(moment);
  const time = { hour: "2-digit", minute: "2-digit" } as const;
  return at.toLocaleString(LOCALE, { day: "numeric", month: "short", ...otherYear(at), ...time });
}

/** A time to come on the shop's clocks, as in “1 December” or “24 December, 09:00”; with the year where it is another. */
export function onThe(local: string): string {
  const at = new Date(local);
  const day = at.toLocaleDateString(LOCALE, { day: "numeric", month: "long", ...otherYear(at) });
  const time = local.slice(11, 16);
  return time === "00:00" ? day : `${day}, ${time}`;
}
