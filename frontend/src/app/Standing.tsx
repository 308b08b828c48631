import { useTranslation } from "react-i18next";
import { Link } from "react-router";
import type { Site } from "../api/client";

/** A line below the bar, in every view, for what must not be forgotten: closed, or not published at its time. */
export function Standing({ site }: { site: Site }) {
  const { t } = useTranslation();
  if (!site.closed && !site.timed_failed) return null;
  return (
    <section aria-label={t("standing.barName")} className="grid gap-0.5 border-b border-line bg-warn-soft px-6 py-2">
      {site.closed && (
        <p className="flex flex-wrap gap-x-3">
          {t("standing.bar")}
          <Link to={`/${site.slug}/whole-site`} className="act-link">
            {t("standing.barLink")}
          </Link>
        </p>
      )}
      {site.timed_failed && (
        <p className="flex flex-wrap gap-x-3">
          {t("timed.failed")}
          <Link to={`/${site.slug}/review`} className="act-link">
            {t("timed.failedLink")}
          </Link>
        </p>
      )}
    </section>
  );
}
