import { useEffect, useState } from "react";
import { useTranslation } from "react-i18next";
import { useFact, useFactActions } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { TownField, useClock, useLanguages } from "../sites";
import { Combobox } from "../ui/Combobox";
import { useSettled } from "../ui/useSettled";

interface Props {
  readOnly: boolean;
}

export function LanguageField({ readOnly }: Props) {
  const { t, i18n } = useTranslation();
  const facts = useFactActions();
  const tag = useFact("language");
  const [typed, setTyped] = useState("");
  const found = useLanguages(useSettled(typed, 120));
  const spoken = useLanguages(tag).data?.find((one) => one.tag === tag);
  const name = new Intl.DisplayNames(i18n.language, { type: "language" }).of(tag) ?? tag;
  return (
    <>
      <p className="mb-2 text-base font-medium">
        {name} <span className="font-code text-xs text-soft">{tag}</span>
      </p>
      {spoken?.own_words === false && <p className="mb-2 text-warn">{t("languageField.noWords", { name })}</p>}
      {!readOnly && (
        <Combobox
          label={t("languageField.other")}
          hideLabel
          hint={t("languageField.hint")}
          typed={typed}
          options={(found.data ?? []).map((one) => ({
            key: one.tag,
            title: one.own_name,
            more: `${one.name} · ${one.tag}`,
            value: one,
          }))}
          onType={setTyped}
          onChoose={(one) => {
            facts.choose({ language: one.tag });
            setTyped("");
          }}
        />
      )}
    </>
  );
}

/** The minute, told again whenever it turns. */
function useMinute(): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date()), 10_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** How far a clock is from UTC, and when it is put forward or back next. */
function ClockFacts({ zone }: { zone: string }) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const clock = useClock(zone).data;
  if (!clock) return null;
  const { ahead_minutes: ahead, next_change: change } = clock;
  const distance = ahead === 0 ? "same" : ahead > 0 ? "ahead" : "behind";
  const when = new Intl.DateTimeFormat(i18n.language, { timeZone: zone, dateStyle: "full" });
  return (
    <p className="mb-2 text-xs text-soft">
      {t(`clock.${distance}`, { span: format.span(Math.abs(ahead)) })}{" "}
      {change
        ? t(change.by_minutes > 0 ? "clock.forward" : "clock.back", {
            day: when.format(new Date(change.at)),
            span: format.span(Math.abs(change.by_minutes)),
          })
        : t("clock.never")}
    </p>
  );
}

export function ClockField({ readOnly }: Props) {
  const { t, i18n } = useTranslation();
  const facts = useFactActions();
  const zone = useFact("time_zone");
  const time = new Intl.DateTimeFormat(i18n.language, { timeZone: zone, dateStyle: "full", timeStyle: "short" });
  return (
    <>
      <p className="mb-2 text-base font-medium">
        {time.format(useMinute())} <span className="font-code text-xs text-soft">{zone}</span>
      </p>
      <ClockFacts zone={zone} />
      {!readOnly && (
        <TownField
          key={zone}
          label={t("clock.other")}
          hideLabel
          hint={t("clock.hint")}
          onChoose={(town) => town && facts.choose({ time_zone: town.time_zone })}
        />
      )}
    </>
  );
}
