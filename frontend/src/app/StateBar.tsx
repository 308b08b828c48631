import { Link } from "react-router";
import type { Site } from "../api/client";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";

/** A line below the bar, in every view, for what must not be forgotten: closed, to be published, or not published. */
export function StateBar({ site }: { site: Site }) {
  const { t } = useTranslation();
  const format = useFormat();
  const isAmiss = site.closed || site.timed_failed;
  if (!isAmiss && !site.timed) return null;
  return (
    <section
      aria-label={t("lifecycle.barName")}
      className={`grid gap-0.5 border-b border-line px-6 py-2 ${isAmiss ? "bg-warn-soft" : "bg-act-soft"}`}
    >
      {site.closed && (
        <p className="flex flex-wrap gap-x-3">
          {t("lifecycle.bar")}
          <Link to={`/${site.slug}/whole-site`} className="act-link">
            {t("lifecycle.barLink")}
          </Link>
        </p>
      )}
      {site.timed && (
        <p className="flex flex-wrap gap-x-3">
          {site.timed_failed ? t("timed.failed") : t("timed.bar", { at: format.instant(site.timed) })}
          <Link to={`/${site.slug}/review`} className="act-link">
            {t("timed.failedLink")}
          </Link>
        </p>
      )}
    </section>
  );
}
