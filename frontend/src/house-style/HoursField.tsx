import { Plus, X } from "lucide-react";
import { useState } from "react";
import { useFact, useFactActions } from "../draft/hooks";
import { WhenField } from "../draft/when/WhenField";
import { useFormat, WEEKDAYS } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { NO_HOURS, nextSpan, withDay, withException, type Exceptional, type Hours, type Span } from "./hours";

const INPUT = "rounded-sm border border-soft bg-paper px-1.5 py-1 disabled:border-line";
const ICON = "rounded-sm p-1 text-soft hover:text-ink";

interface SpansProps {
  label: string;
  spans: readonly Span[];
  readOnly: boolean;
  onChange: (spans: Span[]) => void;
}

function Spans({ label, spans, readOnly, onChange }: SpansProps) {
  const { t } = useTranslation();
  const set = (at: number, change: Partial<Span>) =>
    onChange(spans.map((span, index) => (index === at ? { ...span, ...change } : span)));
  const add = (
    <button
      type="button"
      aria-label={t("hours.addTo", { day: label })}
      title={t("hours.add")}
      className={ICON}
      onClick={() => onChange([...spans, nextSpan(spans)])}
    >
      <Plus size={15} aria-hidden />
    </button>
  );
  return (
    <div className="grid gap-1.5">
      {spans.length === 0 && (
        <span className="flex items-center gap-1.5">
          <span className="py-1 text-soft">{t("hours.closed")}</span>
          {!readOnly && add}
        </span>
      )}
      {spans.map((span, at) => (
        <span key={at} className="flex items-center gap-1.5">
          {(["opens", "closes"] as const).map((end) => (
            <WhenField
              key={end}
              wanted="time"
              required
              disabled={readOnly}
              label={t(`hours.${end}`, { day: label })}
              value={span[end]}
              onChoose={(time) => set(at, { [end]: time })}
            />
          ))}
          {!readOnly && (
            <button
              type="button"
              aria-label={t("hours.takeOut", { day: label })}
              className={ICON}
              onClick={() => onChange(spans.filter((_, index) => index !== at))}
            >
              <X size={15} aria-hidden />
            </button>
          )}
          {!readOnly && at === spans.length - 1 && add}
        </span>
      ))}
    </div>
  );
}

interface ExceptionProps {
  exception: Exceptional;
  readOnly: boolean;
  onChange: (next: Exceptional | null) => void;
}

function ExceptionRow({ exception, readOnly, onChange }: ExceptionProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const label = format.day(exception.first);
  return (
    <li className="grid gap-1.5 border-t border-line py-2.5">
      <span className="flex flex-wrap items-center gap-1.5">
        {(["first", "last"] as const).map((end) => (
          <WhenField
            key={end}
            wanted="day"
            required
            disabled={readOnly}
            label={t(`hours.${end}`)}
            value={exception[end]}
            onChoose={(day) => {
              // The last day follows the first one, which is typed before it.
              const follows = end === "first" && exception.last < day;
              onChange({ ...exception, [end]: day, ...(follows ? { last: day } : {}) });
            }}
          />
        ))}
        {!readOnly && (
          <button type="button" className="act-link text-xs" onClick={() => onChange(null)}>
            {t("hours.removeDays")}
          </button>
        )}
      </span>
      <input
        type="text"
        dir="auto"
        disabled={readOnly}
        aria-label={t("hours.note")}
        placeholder={t("hours.noteEmpty")}
        value={exception.note}
        maxLength={80}
        className={INPUT}
        onChange={(event) => onChange({ ...exception, note: event.target.value })}
      />
      <Spans
        label={label}
        spans={exception.spans}
        readOnly={readOnly}
        onChange={(spans) => onChange({ ...exception, spans })}
      />
    </li>
  );
}

function today(): string {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

/** The hours of a usual week, and the days that have others. */
export function HoursField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const facts = useFactActions();
  const kept = useFact("opening_hours");
  const [begun, setBegun] = useState(false);
  const hours: Hours = kept ?? NO_HOURS;
  const set = (next: Hours) => facts.choose({ opening_hours: next });
  if (!kept && !begun)
    return readOnly ? (
      <p className="text-soft">{t("hours.unsaid")}</p>
    ) : (
      <ActionLink onClick={() => setBegun(true)}>{t("hours.begin")}</ActionLink>
    );
  return (
    <div data-field="opening_hours" tabIndex={-1} className="outline-none">
      <dl className="mb-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
        {WEEKDAYS.map((day) => (
          <div key={day} className="col-span-2 grid grid-cols-subgrid items-start">
            <dt className="py-1">{format.weekday(day)}</dt>
            <dd>
              <Spans
                label={format.weekday(day)}
                spans={hours.week[day]}
                readOnly={readOnly}
                onChange={(spans) => set(withDay(hours, day, spans))}
              />
            </dd>
          </div>
        ))}
      </dl>
      <h3 className="text-xs font-semibold">{t("hours.exceptions")}</h3>
      <ul className="mb-1.5">
        {hours.exceptions.map((exception, index) => (
          <ExceptionRow
            key={index}
            exception={exception}
            readOnly={readOnly}
            onChange={(next) => set(withException(hours, index, next))}
          />
        ))}
      </ul>
      {!readOnly && (
        <>
          <ActionLink
            onClick={() =>
              set({
                ...hours,
                exceptions: [...hours.exceptions, { first: today(), last: today(), spans: [], note: "" }],
              })
            }
          >
            {t("hours.addDays")}
          </ActionLink>
          {kept && (
            <ActionLink
              onClick={() => {
                facts.choose({ opening_hours: null });
                setBegun(false);
              }}
            >
              {t("hours.remove")}
            </ActionLink>
          )}
        </>
      )}
    </div>
  );
}
