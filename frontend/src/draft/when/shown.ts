import type { Schemas } from "../../api/client";

export type Wanted = Schemas["TypedIn"]["wanted"];

/** How days and times are written: in the desk's language, the way of the site's country and its own form of times. */
export interface Way {
  locale: string;
  hour12: boolean | undefined;
}

/** The country where a language (BCP 47) is at home, its own or the likeliest; nothing for one that is unknown. */
function countryOf(language: string): string {
  try {
    return new Intl.Locale(language).maximize().region ?? "";
  } catch {
    return "";
  }
}

export function wayOf(desk: string, language: string, timeForm: string): Way {
  const region = countryOf(language);
  const locale = region ? new Intl.Locale(desk, { region }).toString() : desk;
  // Letters in quotes stand for themselves (UTS 35), as in 18 h 30.
  const fields = timeForm.replace(/'[^']*'/g, "");
  return { locale, hour12: fields ? /[hK]/.test(fields) : undefined };
}

/** A day (ISO 8601) in words, so that no order of numbers can be mistaken. */
export function dayShown(day: string, { locale }: Way): string {
  return new Intl.DateTimeFormat(locale, { dateStyle: "long", timeZone: "UTC" }).format(new Date(`${day}T00:00Z`));
}

export function timeShown(time: string, { locale, hour12 }: Way): string {
  const form: Intl.DateTimeFormatOptions = { timeStyle: "short", timeZone: "UTC" };
  if (hour12 !== undefined) form.hour12 = hour12;
  return new Intl.DateTimeFormat(locale, form).format(new Date(`2000-01-01T${time.slice(0, 5)}Z`));
}

/** A value of a field as it stands there while nobody types; both forms are read back as the same value. */
export function shown(wanted: Wanted, value: string, way: Way): string {
  if (!value) return "";
  if (wanted === "time") return timeShown(value, way);
  const day = dayShown(value.slice(0, 10), way);
  return wanted === "day" ? day : `${day}, ${timeShown(value.slice(11, 16), way)}`;
}

/** What was understood, as a value: a day, a time, or both joined as ISO 8601 joins them. */
export function valueOf(wanted: Wanted, { day, at }: Schemas["TypedOut"]): string {
  if (wanted === "time") return at ?? "";
  return wanted === "day" ? (day ?? "") : day && at ? `${day}T${at}` : "";
}
