import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, result, type Schemas } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { Notice } from "../ui/Notice";

type StrayChanges = Schemas["StrayChangesOut"];
const SHOWN = 5;

/** Which strays publishing would bring before visitors, and how many it would end; nothing where it does neither. */
export function StrayNews({ site, revision }: { site: string; revision: number }) {
  const { t } = useTranslation();
  const found = useQuery({
    queryKey: ["sweep change", site, revision],
    queryFn: () => result<StrayChanges>(api.GET("/api/sites/{site}/sweep/change", { params: { path: { site } } })),
  }).data;
  if (!found || (found.made.length === 0 && found.ended === 0)) return null;
  const made = found.made.length;
  return (
    <div className="mt-6">
      <Notice
        tone={made ? "warn" : "act"}
        actions={
          <Link to={`/${site}/consistency`} className="act-link">
            {t("strayNews.look")}
          </Link>
        }
      >
        {made > 0 && <p className="font-semibold">{t("strayNews.made", { count: made })}</p>}
        {made > 0 && (
          <ul className="my-1">
            {found.made.slice(0, SHOWN).map((stray) => (
              <li key={stray.id} className="break-words">
                {stray.title || stray.page}: <span dir="auto">“{stray.says}”</span>
                {stray.should_say && <span dir="auto"> → {stray.should_say}</span>}
              </li>
            ))}
            {made > SHOWN && <li>{t("strayNews.more", { count: made - SHOWN })}</li>}
          </ul>
        )}
        {found.ended > 0 && <p>{t("strayNews.ended", { count: found.ended })}</p>}
        {!found.is_whole && <p>{t("strayNews.part")}</p>}
      </Notice>
    </div>
  );
}
