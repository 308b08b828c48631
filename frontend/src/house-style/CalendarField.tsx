import { useTranslation } from "react-i18next";
import type { Schemas } from "../api/client";
import { useFact, useFactActions } from "../draft/hooks";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useCalendars } from "./dates";

/** A calendar that long dates are said in, too: none, or one of those that are known, each by the example of today. */
export function CalendarField({ readOnly }: { readOnly: boolean }) {
  const found = useCalendars(useFact("language"), useFact("time_zone"));
  return (
    <QueryBoundary query={found}>
      {({ calendars }) => <Chosen calendars={calendars} readOnly={readOnly} />}
    </QueryBoundary>
  );
}

function Chosen({ calendars, readOnly }: { calendars: Schemas["CalendarOut"][]; readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const chosen = useFact("further_calendar");
  const language = useFact("language");
  const none = { calendar: "", name: t("calendars.none"), example: "", usual: false };
  return (
    <div
      role="radiogroup"
      aria-labelledby="fact-further_calendar"
      data-field="further_calendar"
      tabIndex={-1}
      className="grid max-h-44 overflow-y-auto rounded-md border border-line p-1 outline-none"
    >
      {[none, ...calendars].map((one) => (
        <label
          key={one.calendar}
          className="flex cursor-pointer items-baseline gap-x-2.5 rounded-sm px-2 py-1 has-checked:bg-act-soft has-focus-visible:outline-2 has-focus-visible:outline-act"
        >
          <input
            type="radio"
            name="further_calendar"
            disabled={readOnly}
            className="size-4 flex-none translate-y-0.5 accent-act"
            checked={chosen === one.calendar}
            onChange={() => facts.choose({ further_calendar: one.calendar })}
          />
          <span className="flex flex-1 flex-wrap items-baseline gap-x-2.5">
            <span className="font-medium">{one.name}</span>
            {one.example && (
              <span dir="auto" lang={language}>
                {one.example}
              </span>
            )}
            {one.usual && <span className="text-[11px] text-soft">{t("calendars.usual")}</span>}
          </span>
        </label>
      ))}
    </div>
  );
}
