import { useFact, useFactActions, useFieldState } from "../draft/hooks";
import { WhenField } from "../draft/when/WhenField";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";

interface Props {
  readOnly: boolean;
}

const AREA =
  "w-full resize-y rounded-sm border border-soft bg-paper px-2 py-1.5 text-[15px] read-only:border-line aria-invalid:border-stop";

/** The line at the top of every page, with its last day. */
export function NoticeField({ readOnly }: Props) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const notice = useFact("site_notice");
  const language = useFact("language");
  const { errors } = useFieldState("facts", "site_notice");
  const set = (change: { text?: string; until?: string | null }) => {
    const next = { text: notice?.text ?? "", until: notice?.until ?? null, ...change };
    facts.choose({ site_notice: next.text.trim() || next.until ? next : null }, true);
  };
  return (
    <div className="grid gap-2">
      <textarea
        rows={2}
        dir="auto"
        lang={language}
        data-field="site_notice"
        aria-labelledby="fact-site_notice"
        aria-describedby="why-site_notice wrong-site_notice"
        aria-invalid={errors.length > 0}
        readOnly={readOnly}
        placeholder={t("fact.site_notice.empty")}
        className={AREA}
        value={notice?.text ?? ""}
        onChange={(event) => set({ text: event.target.value.replace(/\s*\n\s*/g, " ") })}
      />
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="flex flex-wrap items-center gap-x-2">
          <label htmlFor="notice-until" className="text-soft">
            {t("notice.until")}
          </label>
          <WhenField
            wanted="day"
            id="notice-until"
            disabled={readOnly || !notice?.text}
            value={notice?.until ?? ""}
            onChoose={(until) => set({ until: until || null })}
          />
        </span>
        {!readOnly && notice && (
          <ActionLink onClick={() => facts.choose({ site_notice: null })}>{t("notice.remove")}</ActionLink>
        )}
      </div>
    </div>
  );
}

/** The notice that asks before the code of others runs. */
export function CookieField({ readOnly }: Props) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const notice = useFact("cookie_notice");
  const language = useFact("language");
  const { errors } = useFieldState("facts", "cookie_notice");
  const wrong = (part: string) => errors.some((error) => error.field === `cookie_notice.${part}`);
  const set = (change: { title?: string; text?: string }) => {
    if (notice) facts.choose({ cookie_notice: { ...notice, ...change } }, true);
  };
  if (!notice)
    return (
      <div data-field="cookie_notice" tabIndex={-1} className="outline-none">
        <p className="mb-1.5 text-soft">{t("cookies.off")}</p>
        {!readOnly && (
          <ActionLink
            onClick={() =>
              facts.choose({ cookie_notice: { title: t("cookies.starterTitle"), text: t("cookies.starterText") } })
            }
          >
            {t("cookies.turnOn")}
          </ActionLink>
        )}
      </div>
    );
  return (
    <div className="grid gap-2" data-field="cookie_notice" tabIndex={-1}>
      <label className="grid gap-0.5">
        <span className="text-xs text-soft">{t("cookies.title")}</span>
        <input
          dir="auto"
          lang={language}
          readOnly={readOnly}
          aria-invalid={wrong("title")}
          className={AREA}
          value={notice.title}
          onChange={(event) => set({ title: event.target.value })}
        />
      </label>
      <label className="grid gap-0.5">
        <span className="text-xs text-soft">{t("cookies.text")}</span>
        <textarea
          rows={4}
          dir="auto"
          lang={language}
          readOnly={readOnly}
          aria-invalid={wrong("text")}
          className={AREA}
          value={notice.text}
          onChange={(event) => set({ text: event.target.value.replace(/\s*\n\s*/g, " ") })}
        />
      </label>
      <p className="text-xs text-soft">{t("cookies.answers")}</p>
      {!readOnly && (
        <div>
          <ActionLink onClick={() => facts.choose({ cookie_notice: null })}>{t("cookies.turnOff")}</ActionLink>
        </div>
      )}
    </div>
  );
}
