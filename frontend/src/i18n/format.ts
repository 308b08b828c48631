import { useTranslation } from "./useTranslation";

/** The days of the week as UTS 35 names them in tags, in the order of ISO 8601. */
export const WEEKDAYS = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"] as const;
export type Weekday = (typeof WEEKDAYS)[number];
// A Monday.
const MONDAY = Date.UTC(2024, 0, 1);
const DAY = 86_400_000;

export interface Format {
  /** An instant, such as when an edition was published. */
  instant: (iso: string) => string;
  /** An instant not long ago: "yesterday, 14:02"; after a week, its day. */
  lately: (iso: string) => string;
  /** A calendar day, such as that of a post, whatever clock one is on. */
  day: (iso: string) => string;
  /** A day of the week by itself. */
  weekday: (day: Weekday) => string;
  /** What time it is now by a clock of the IANA database or a fixed offset; nothing for one that is unknown here. */
  timeIn: (zone: string) => string;
  /** An instant's day by a clock, in full. */
  dayIn: (iso: string, zone: string) => string;
  /** A moment by a clock: its day in full, and its time. */
  momentIn: (moment: Date, zone: string) => string;
  /** A span of time of whole minutes, such as by how much a clock changes. */
  span: (minutes: number) => string;
  /** Several names, as they are listed in a sentence. */
  list: (names: readonly string[]) => string;
  /** The size of a file, in the unit that suits it. */
  bytes: (count: number) => string;
}

/** The same words for the same number, without making them again. */
function once(words: (count: number) => string): (count: number) => string {
  const known = new Map<number, string>();
  return (count) => {
    const said = known.get(count) ?? words(count);
    known.set(count, said);
    return said;
  };
}

function bytes(language: string, count: number): string {
  const [unit, value] =
    count < 999_500
      ? (["kilobyte", count / 1000] as const)
      : count < 999_500_000
        ? (["megabyte", count / 1_000_000] as const)
        : (["gigabyte", count / 1_000_000_000] as const);
  const digits = value < 9.95 ? 1 : 0;
  return new Intl.NumberFormat(language, { style: "unit", unit, maximumFractionDigits: digits }).format(value);
}

/** Hours and minutes in words; what is nought is left out. */
function span(language: string, minutes: number): string {
  const parts = [
    ["hour", Math.floor(minutes / 60)],
    ["minute", minutes % 60],
  ] as const;
  const said = parts
    .filter(([, count]) => count > 0)
    .map(([unit, count]) =>
      new Intl.NumberFormat(language, { style: "unit", unit, unitDisplay: "long" }).format(count),
    );
  return new Intl.ListFormat(language, { type: "unit" }).format(said);
}

const WEEK = 7;

function lately(language: string, at: Date, now: Date): string {
  const midnight = (moment: Date) => new Date(moment.getFullYear(), moment.getMonth(), moment.getDate()).getTime();
  const days = Math.round((midnight(now) - midnight(at)) / DAY);
  if (days < 0 || days >= WEEK)
    return new Intl.DateTimeFormat(language, { dateStyle: "long", timeStyle: "short" }).format(at);
  const day = new Intl.RelativeTimeFormat(language, { numeric: "auto" }).format(-days, "day");
  return `${day} ${new Intl.DateTimeFormat(language, { timeStyle: "short" }).format(at)}`;
}

function timeIn(zone: string, language: string): string {
  try {
    return new Intl.DateTimeFormat(language, { timeZone: zone, timeStyle: "short" }).format(new Date());
  } catch {
    return "";
  }
}

const FORMATS = new Map<string, Format>();

/** Making what formats costs much more than formatting, so each language has it once. */
export function formatFor(language: string): Format {
  const known = FORMATS.get(language) ?? makeFormat(language);
  FORMATS.set(language, known);
  return known;
}

function makeFormat(language: string): Format {
  return {
    instant: (iso) =>
      new Intl.DateTimeFormat(language, { dateStyle: "long", timeStyle: "short" }).format(new Date(iso)),
    lately: (iso) => lately(language, new Date(iso), new Date()),
    day: (iso) =>
      new Intl.DateTimeFormat(language, { dateStyle: "medium", timeZone: "UTC" }).format(
        new Date(`${iso.slice(0, 10)}T00:00Z`),
      ),
    weekday: (day) =>
      new Intl.DateTimeFormat(language, { weekday: "long", timeZone: "UTC" }).format(
        new Date(MONDAY + WEEKDAYS.indexOf(day) * DAY),
      ),
    dayIn: (iso, zone) =>
      new Intl.DateTimeFormat(language, { timeZone: zone, dateStyle: "full" }).format(new Date(iso)),
    momentIn: (moment, zone) =>
      new Intl.DateTimeFormat(language, { timeZone: zone, dateStyle: "full", timeStyle: "short" }).format(moment),
    timeIn: (zone) => timeIn(zone, language),
    span: once((minutes: number) => span(language, minutes)),
    list: (names) => new Intl.ListFormat(language, { type: "conjunction" }).format(names),
    bytes: once((count: number) => bytes(language, count)),
  };
}

/** Dates and sizes as readers of the desk's language write them. */
export function useFormat(): Format {
  return formatFor(useTranslation().i18n.language);
}
