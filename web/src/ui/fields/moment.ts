import { say } from "../../words";

/** A day or a time as it is typed and shown; kept as `2027-03-20` or `2027-03-20T08:00`. */

const LONG = [
  say("moment-january"),
  say("moment-february"),
  say("moment-march"),
  say("moment-april"),
  say("moment-may"),
  say("moment-june"),
  say("moment-july"),
  say("moment-august"),
  say("moment-september"),
  say("moment-october"),
  say("moment-november"),
  say("moment-december"),
];
const two = (number: number): string => String(number).padStart(2, "0");

/** Whether the day stands before the month where both are numbers, as in most languages. */
export function dayFirst(language: string): boolean {
  const parts = new Intl.DateTimeFormat(language).formatToParts(new Date(2027, 2, 20)).map((part) => part.type);
  return parts.indexOf("day") < parts.indexOf("month");
}

/** As it is shown: `20 March 2027`, or `20 March 2027, 08:00`. */
export function momentSays(kept: string): string {
  const [, year, month, day, time] = /^(\d{4})-(\d\d)-(\d\d)(?:T(\d\d:\d\d))?/.exec(kept) ?? [];
  const name = LONG[Number(month) - 1];
  if (!name) return "";
  return `${Number(day)} ${name} ${year}${time ? `, ${time}` : ""}`;
}

/**
 * What was typed, as it is kept: `20 March 2027, 8:00`, `20.3.2027`, `20/3`, `2027-03-20 08:00`; nothing where it can't
 * be read. Without a year the next such day is meant, without a time the day's beginning.
 */
export function readMoment(text: string, language: string, today: Date): { day: string; time: string } | null {
  const [, date = "", hour = "0", minute = "0"] =
    /^(.*?)(?:(?:^|[\s,T])\s*(\d{1,2})[:.](\d{2}))?$/.exec(text.trim().replace(/\s+/g, " ")) ?? [];
  const parts = readDay(date.replace(/,$/, "").trim(), language);
  if (!parts || Number(hour) > 23 || Number(minute) > 59) return null;
  const { month, day } = parts;
  const year = parts.year ?? nextYearOf(month, day, today);
  const real = new Date(Date.UTC(year, month - 1, day));
  if (real.getUTCMonth() !== month - 1 || real.getUTCDate() !== day) return null;
  return { day: `${year}-${two(month)}-${two(day)}`, time: `${two(Number(hour))}:${minute.padStart(2, "0")}` };
}

interface Day {
  year?: number | undefined;
  month: number;
  day: number;
}
function readDay(text: string, language: string): Day | null {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  if (iso) return { year: Number(iso[1]), month: Number(iso[2]), day: Number(iso[3]) };
  const plain = /^(\d{1,2})[./-](\d{1,2})[./-]?(\d{4}|\d{2})?$/.exec(text);
  if (plain) {
    const [first, second] = [Number(plain[1]), Number(plain[2])];
    const [day, month] = text.includes(".") || dayFirst(language) ? [first, second] : [second, first];
    return { year: yearOf(plain[3]), month, day };
  }
  const named = /^(\d{1,2})\.? ?([a-z]{3,})\.?,? ?(\d{4})?$/i.exec(text);
  const turned = /^([a-z]{3,})\.? (\d{1,2}),? ?(\d{4})?$/i.exec(text);
  const [day, word, year] = named ? [named[1], named[2], named[3]] : [turned?.[2], turned?.[1], turned?.[3]];
  const month = LONG.findIndex((name) => name.toLowerCase().startsWith(word?.toLowerCase() ?? "-"));
  return month < 0 ? null : { year: yearOf(year), month: month + 1, day: Number(day) };
}
function yearOf(text: string | undefined): number | undefined {
  if (!text) return undefined;
  return text.length === 2 ? 2000 + Number(text) : Number(text);
}
function nextYearOf(month: number, day: number, today: Date): number {
  const year = today.getFullYear();
  const gone = month < today.getMonth() + 1 || (month === today.getMonth() + 1 && day < today.getDate());
  return gone ? year + 1 : year;
}
