import { useNavigate } from "react-router";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Part } from "../ui/Part";
import { useBringSiteBack, useDeletedSites } from "./api";

/** Sites that were deleted, for as long as they can be brought back; nothing where there are none. */
export function DeletedSites() {
  const { t } = useTranslation();
  const format = useFormat();
  const navigate = useNavigate();
  const sites = useDeletedSites().data ?? [];
  const back = useBringSiteBack();
  if (!sites.length) return null;
  return (
    <Part id="deleted" size="lg" title={t("deletedSites.title")} className="">
      <p className="mb-3 text-soft">{t("deletedSites.note")}</p>
      <ErrorNotice error={back.error} />
      <ul className="divide-y divide-line border-y border-line">
        {sites.map((site) => (
          <li key={site.slug} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-3">
            <span className="min-w-0 flex-1 basis-60">
              <b dir="auto" className="font-semibold break-words">
                {site.name}
              </b>
              <span className="block text-xs text-soft">{t("deletedSites.until", { at: format.day(site.until) })}</span>
            </span>
            <button
              type="button"
              className="act-link flex-none"
              disabled={back.isPending}
              aria-label={t("deletedSites.backName", { name: site.name })}
              onClick={() => back.mutate(site.slug, { onSuccess: () => void navigate(`/${site.slug}/style`) })}
            >
              {t("deletedSites.back")}
            </button>
          </li>
        ))}
      </ul>
    </Part>
  );
}
