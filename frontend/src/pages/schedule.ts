import type { Schemas } from "../api/client";

export type Schedule = Schemas["Schedule"];
export type Repeat = NonNullable<Schedule["repeat"]>;
export const UNITS = ["weekly", "monthly_date", "monthly_weekday", "monthly_last", "yearly"] as const;

/** An event that begins a day, for an hour in the afternoon. */
export function begunOn(day: string): Schedule {
  return {
    starts: day,
    starts_at: "14:00",
    ends: null,
    ends_at: "16:00",
    place: "",
    repeat: null,
    without: [],
  };
}

/** The schedule with another first day; the last one moves along, so that it takes as long as before. */
export function movedTo(schedule: Schedule, day: string): Schedule {
  if (!schedule.ends) return { ...schedule, starts: day };
  const later = Date.parse(day) - Date.parse(schedule.starts);
  const ends = new Date(Date.parse(schedule.ends) + later).toISOString().slice(0, 10);
  return { ...schedule, starts: day, ends };
}

export function asWholeDays(schedule: Schedule, whole: boolean): Schedule {
  return whole
    ? { ...schedule, starts_at: null, ends_at: null }
    : { ...schedule, starts_at: "14:00", ends_at: "16:00" };
}

export function repeated(schedule: Schedule, unit: Repeat["unit"] | ""): Schedule {
  if (!unit) return { ...schedule, repeat: null, without: [] };
  const kept = schedule.repeat ?? { every: 1, until: null };
  return { ...schedule, repeat: { ...kept, unit, weekdays: [] } };
}
