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

/** A day on the shop's clocks, as in “1 December”; with the year where it is another. */
export function dayOf(local: string): string {
  const at = new Date(local);
  return at.toLocaleDateString(LOCALE, { day: "numeric", month: "long", ...otherYear(at) });
}

/** A time on the shop's clocks, as in “1 December” or “24 December, 09:00”. */
export function onThe(local: string): string {
  const time = local.slice(11, 16);
  return time === "00:00" ? dayOf(local) : `${dayOf(local)}, ${time}`;
}

const CLOCK = new Intl.DateTimeFormat(LOCALE, { hour: "2-digit", minute: "2-digit", hourCycle: "h23" });

/** The time of day. Making its format takes longer than drawing the line in which it stands. */
export function timeOf(moment: Date): string {
  return CLOCK.format(moment);
}
