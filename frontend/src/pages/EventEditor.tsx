import { useId, type ReactNode } from "react";
import { FieldStatus } from "../draft/FieldStatus";
import { useFieldState, useSelect, useSite, useStore } from "../draft/hooks";
import type { DocumentId } from "../draft/store";
import { WhenField } from "../draft/when/WhenField";
import { useFormat, WEEKDAYS } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { useSettled } from "../ui/useSettled";
import { useCheckedEvent } from "./api";
import { asWholeDays, movedTo, repeated, UNITS, type Repeat, type Schedule } from "./schedule";

const INPUT = "rounded-sm border border-soft bg-paper px-1.5 py-1";

interface PartProps {
  schedule: Schedule;
  onChange: (next: Schedule) => void;
}

function Labelled({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId();
  return (
    <span className="grid gap-1">
      <label htmlFor={id} className="text-xs text-soft">
        {label}
      </label>
      {children(id)}
    </span>
  );
}

function When({ schedule, onChange }: PartProps) {
  const { t } = useTranslation();
  const whole = schedule.starts_at === null;
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <Labelled label={t("event.starts")}>
        {(id) => (
          <WhenField
            wanted="day"
            id={id}
            required
            value={schedule.starts}
            onChoose={(day) => onChange(movedTo(schedule, day))}
          />
        )}
      </Labelled>
      {!whole && (
        <Labelled label={t("event.startsAt")}>
          {(id) => (
            <WhenField
              wanted="time"
              id={id}
              required
              value={schedule.starts_at ?? ""}
              onChoose={(time) => onChange({ ...schedule, starts_at: time })}
            />
          )}
        </Labelled>
      )}
      <Labelled label={t("event.ends")}>
        {(id) => (
          <WhenField
            wanted="day"
            id={id}
            required
            value={schedule.ends ?? schedule.starts}
            onChoose={(day) => onChange({ ...schedule, ends: day })}
          />
        )}
      </Labelled>
      {!whole && (
        <Labelled label={t("event.endsAt")}>
          {(id) => (
            <WhenField
              wanted="time"
              id={id}
              value={schedule.ends_at ?? ""}
              onChoose={(time) => onChange({ ...schedule, ends_at: time || null })}
            />
          )}
        </Labelled>
      )}
      <label className="flex items-center gap-2 py-1">
        <input
          type="checkbox"
          className="size-4 accent-act"
          checked={whole}
          onChange={(event) => onChange(asWholeDays(schedule, event.target.checked))}
        />
        {t("event.wholeDays")}
      </label>
    </div>
  );
}

function Weekdays({ schedule, repeat, onChange }: PartProps & { repeat: Repeat }) {
  const { t } = useTranslation();
  const format = useFormat();
  const toggle = (day: (typeof WEEKDAYS)[number]) => {
    const weekdays = repeat.weekdays.includes(day)
      ? repeat.weekdays.filter((one) => one !== day)
      : [...repeat.weekdays, day];
    onChange({ ...schedule, repeat: { ...repeat, weekdays } });
  };
  return (
    <fieldset className="flex flex-wrap gap-x-3 gap-y-1">
      <legend className="mb-1 text-xs text-soft">{t("event.weekdays")}</legend>
      {WEEKDAYS.map((day) => (
        <label key={day} className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="size-4 accent-act"
            checked={repeat.weekdays.includes(day)}
            onChange={() => toggle(day)}
          />
          {format.weekday(day)}
        </label>
      ))}
    </fieldset>
  );
}

function Repeats({ schedule, onChange }: PartProps) {
  const { t } = useTranslation();
  const repeat = schedule.repeat;
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <Labelled label={t("event.repeats")}>
          {(id) => (
            <select
              id={id}
              value={repeat?.unit ?? ""}
              className={INPUT}
              onChange={(event) => onChange(repeated(schedule, event.target.value as Repeat["unit"] | ""))}
            >
              <option value="">{t("event.once")}</option>
              {UNITS.map((unit) => (
                <option key={unit} value={unit}>
                  {t(`event.unit.${unit}`)}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        {repeat && (
          <>
            <Labelled label={t("event.every")}>
              {(id) => (
                <input
                  id={id}
                  type="number"
                  min={1}
                  max={99}
                  value={repeat.every}
                  className={`${INPUT} w-16`}
                  onChange={(event) => {
                    const every = Math.min(99, Math.max(1, Number(event.target.value)));
                    onChange({ ...schedule, repeat: { ...repeat, every } });
                  }}
                />
              )}
            </Labelled>
            <Labelled label={t("event.until")}>
              {(id) => (
                <WhenField
                  wanted="day"
                  id={id}
                  value={repeat.until ?? ""}
                  onChoose={(day) => onChange({ ...schedule, repeat: { ...repeat, until: day || null } })}
                />
              )}
            </Labelled>
          </>
        )}
      </div>
      {repeat?.unit === "weekly" && <Weekdays schedule={schedule} repeat={repeat} onChange={onChange} />}
    </>
  );
}

/** What the schedule yields: the next dates, each of which can be left out; those left out, to be taken back. */
function Yields({ schedule, onChange }: PartProps) {
  const { t } = useTranslation();
  const site = useSite();
  const format = useFormat();
  const checked = useCheckedEvent(site.slug, useSettled(schedule, 200));
  if (!checked) return null;
  return (
    <div className="grid gap-2">
      <div role="alert" className="text-stop empty:hidden">
        {checked.errors.map((error) => (
          <p key={`${error.field} ${error.code}`}>{error.message}</p>
        ))}
      </div>
      {checked.notices.map((notice, index) => (
        <p key={index} className="text-warn">
          ▲ {notice.message}
        </p>
      ))}
      {checked.dates.length > 0 ? (
        <div>
          <p className="text-xs text-soft">{t("event.yields")}</p>
          <ul aria-label={t("event.yields")}>
            {checked.dates.map((date) => (
              <li key={date.starts} className="flex flex-wrap items-baseline gap-x-3">
                <span dir="auto">{date.text}</span>
                {schedule.repeat && (
                  <button
                    type="button"
                    className="act-link text-xs"
                    aria-label={t("event.leaveOut", { day: date.text })}
                    onClick={() => onChange({ ...schedule, without: [...schedule.without, date.day] })}
                  >
                    {t("event.leaveOutShort")}
                  </button>
                )}
              </li>
            ))}
          </ul>
        </div>
      ) : (
        checked.errors.length === 0 && <p className="text-soft">{t("event.over")}</p>
      )}
      {schedule.without.length > 0 && (
        <div>
          <p className="text-xs text-soft">{t("event.without")}</p>
          <ul aria-label={t("event.without")}>
            {schedule.without.map((day) => (
              <li key={day} className="flex flex-wrap items-baseline gap-x-3">
                <s>{format.day(day)}</s>
                <button
                  type="button"
                  className="act-link text-xs"
                  aria-label={t("event.takeBack", { day: format.day(day) })}
                  onClick={() => onChange({ ...schedule, without: schedule.without.filter((one) => one !== day) })}
                >
                  {t("event.takeBackShort")}
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}

/** When and where an event is, and what its rule yields. Kept as it is changed. */
export function EventEditor({ document }: { document: DocumentId }) {
  const { t } = useTranslation();
  const store = useStore();
  const schedule = useSelect((one) => one.document(document).value("schedule") as Schedule | null);
  const { errors } = useFieldState(document, "schedule");
  if (!schedule) return null;
  const set = (next: Schedule) => store.choose(document, { schedule: next });
  return (
    <section aria-label={t("event.title")} className="grid gap-3 border-y border-line py-3 sm:col-span-2">
      <When schedule={schedule} onChange={set} />
      <Labelled label={t("event.place")}>
        {(id) => (
          <input
            id={id}
            type="text"
            dir="auto"
            maxLength={160}
            value={schedule.place}
            placeholder={t("event.placeEmpty")}
            className="fact-field"
            onChange={(event) => store.choose(document, { schedule: { ...schedule, place: event.target.value } }, true)}
          />
        )}
      </Labelled>
      <Repeats schedule={schedule} onChange={set} />
      <Yields schedule={schedule} onChange={set} />
      {errors.length > 0 && <p className="text-soft">{t("event.notKept")}</p>}
      <p className="text-xs text-soft">
        <FieldStatus document={document} field="schedule" />
      </p>
    </section>
  );
}
