import { useEffect, useState } from "react";
import type { Town } from "../api/client";
import { useFact, useFactActions } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { TownField, useClock } from "../sites";
import { ActionLink } from "../ui/ActionLink";
import { Field } from "../ui/Field";
import { later } from "../ui/later";

const TownProposal = later(async () => (await import("./TownProposal")).TownProposal);

/** The minute, told again whenever it turns. */
function useMinute(): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date()), 10_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** How far a clock is from UTC, when it is put forward or back next, and what should be asked about it. */
function ClockFacts({ zone }: { zone: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const clock = useClock(zone, useFact("language")).data;
  if (!clock) return null;
  const { ahead_minutes: ahead, next_change: change } = clock;
  const distance = ahead === 0 ? "same" : ahead > 0 ? "ahead" : "behind";
  return (
    <>
      <p className="mb-2 text-xs text-soft">
        {t(`clock.${distance}`, { span: format.span(Math.abs(ahead)) })}{" "}
        {change
          ? t(change.by_minutes > 0 ? "clock.forward" : "clock.back", {
              day: format.dayIn(change.at, zone),
              span: format.span(Math.abs(change.by_minutes)),
            })
          : t("clock.never")}
      </p>
      {clock.notices.map((notice) => (
        <p key={notice.code} className="mb-2 text-warn">
          ▲ {notice.message}
        </p>
      ))}
    </>
  );
}

/** A fixed distance from UTC, for who wants it. */
function Offset({ onDone }: { onDone: () => void }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const [typed, setTyped] = useState("");
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (!typed.trim()) return;
        facts.choose({ time_zone: typed.trim() });
        onDone();
      }}
    >
      <Field
        label={t("clock.offset")}
        hint={t("clock.offsetHint")}
        dir="ltr"
        placeholder="+01:00"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <button type="submit" className="act-link mb-8">
        {t("clock.takeOffset")}
      </button>
    </form>
  );
}

/** The site's clock: chosen by a town, with all that follows from one; or the browser's own; or a fixed offset. */
export function ClockField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const facts = useFactActions();
  const zone = useFact("time_zone");
  const [town, setTown] = useState<Town | null>(null);
  const [writes, setWrites] = useState(false);
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const now = useMinute();
  return (
    <div data-field="time_zone" tabIndex={-1} className="outline-none">
      <p className="mb-2 text-base font-medium">
        {format.momentIn(now, zone)} <span className="font-code text-xs text-soft">{zone}</span>
      </p>
      <ClockFacts zone={zone} />
      {!readOnly && (
        <>
          <TownField key={zone} label={t("clock.other")} hideLabel hint={t("clock.hint")} onChoose={setTown} />
          {town && <TownProposal town={town} onDone={() => setTown(null)} />}
          <p className="mt-2">
            {here && here !== zone && (
              <ActionLink onClick={() => facts.choose({ time_zone: here })}>
                {t("clock.here", { time: format.timeIn(here), zone: here })}
              </ActionLink>
            )}
            <ActionLink expanded={writes} onClick={() => setWrites(!writes)}>
              {t("clock.fixed")}
            </ActionLink>
          </p>
          {writes && <Offset onDone={() => setWrites(false)} />}
        </>
      )}
    </div>
  );
}
