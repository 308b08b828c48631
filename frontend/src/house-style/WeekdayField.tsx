import { useFact, useFactActions } from "../draft/hooks";
import { useFormat, WEEKDAYS } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { useClock } from "../sites";

/** The day that weeks begin with: as is usual in the region, or one of the seven. */
export function WeekdayField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const facts = useFactActions();
  const chosen = useFact("first_weekday");
  const usual = useClock(useFact("time_zone"), useFact("language")).data?.usual_weekday;
  return (
    <div
      role="radiogroup"
      aria-labelledby="fact-first_weekday"
      data-field="first_weekday"
      tabIndex={-1}
      className="flex flex-wrap gap-1.5 outline-none"
    >
      {["" as const, ...WEEKDAYS].map((day) => (
        <label
          key={day}
          className="cursor-pointer rounded-md border border-line px-2.5 py-1.5 has-checked:border-act has-checked:bg-act-soft has-checked:font-semibold has-focus-visible:outline-2 has-focus-visible:outline-act"
        >
          <input
            type="radio"
            name="first_weekday"
            className="unseen"
            disabled={readOnly}
            checked={chosen === day}
            onChange={() => facts.choose({ first_weekday: day })}
          />
          {day ? format.weekday(day) : t("weekday.usual", { day: usual ? format.weekday(usual) : "…" })}
        </label>
      ))}
    </div>
  );
}
