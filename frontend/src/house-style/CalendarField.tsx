import type { Schemas } from "../api/client";
import { useFact, useFactActions } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ExampleChoices } from "../ui/ExampleChoices";
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
  const options = calendars.map(({ calendar, name, example, usual }) => ({
    value: calendar,
    words: (
      <span className="flex min-w-0 flex-wrap items-baseline gap-x-2.5">
        <span className="font-medium">{name}</span>
        <span dir="auto" lang={language}>
          {example}
        </span>
      </span>
    ),
    note: usual ? t("calendars.usual") : undefined,
  }));
  const none = { value: "", words: <span className="font-medium">{t("calendars.none")}</span> };
  return (
    <div data-field="further_calendar" tabIndex={-1} className="outline-none">
      <ExampleChoices
        field="further_calendar"
        options={[none, ...options]}
        chosen={chosen}
        readOnly={readOnly}
        onChoose={(value) => facts.choose({ further_calendar: value })}
      />
    </div>
  );
}
