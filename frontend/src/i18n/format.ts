import { useTranslation } from "react-i18next";

export interface Format {
  /** An instant, such as when an edition was published. */
  instant: (iso: string) => string;
  /** A calendar day, such as that of a post, whatever clock one is on. */
  day: (iso: string) => string;
  /** A span of time of whole minutes, such as by how much a clock changes. */
  span: (minutes: number) => string;
  /** The size of a file, in the unit that suits it. */
  bytes: (count: number) => string;
}

function bytes(language: string, count: number): string {
  const [unit, value] =
    count < 999_500 ? (["kilobyte", count / 1000] as const) : (["megabyte", count / 1_000_000] as const);
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

export function formatFor(language: string): Format {
  return {
    instant: (iso) =>
      new Intl.DateTimeFormat(language, { dateStyle: "long", timeStyle: "short" }).format(new Date(iso)),
    day: (iso) =>
      new Intl.DateTimeFormat(language, { dateStyle: "medium", timeZone: "UTC" }).format(
        new Date(`${iso.slice(0, 10)}T00:00Z`),
      ),
    span: (minutes) => span(language, minutes),
    bytes: (count) => bytes(language, count),
  };
}

/** Dates and sizes as readers of the desk's language write them. */
export function useFormat(): Format {
  return formatFor(useTranslation().i18n.language);
}
