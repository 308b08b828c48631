import type { Facts } from "../api/client";
import type { Weekday } from "../i18n/format";

export type Hours = NonNullable<Facts["opening_hours"]>;
export type Span = NonNullable<Hours["week"]["mon"]>[number];
export type Exceptional = Hours["exceptions"][number];

export const NO_HOURS: Hours = {
  week: { mon: [], tue: [], wed: [], thu: [], fri: [], sat: [], sun: [] },
  exceptions: [],
};

/** A span to begin with: after the last one of the day, or the usual ones of a shop. */
export function nextSpan(spans: readonly Span[]): Span {
  const last = spans.at(-1);
  return last ? { opens: last.closes, closes: "18:00" } : { opens: "09:00", closes: "17:00" };
}

export function withDay(hours: Hours, day: Weekday, spans: Span[]): Hours {
  return { ...hours, week: { ...hours.week, [day]: spans } };
}

export function withException(hours: Hours, index: number, next: Exceptional | null): Hours {
  const exceptions = hours.exceptions.flatMap((one, at) => (at === index ? (next ? [next] : []) : [one]));
  return { ...hours, exceptions };
}
