import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, result, type Schemas } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { useMend, type Stray } from "./api";
import { Spot } from "./Spot";

type StrayChanges = Schemas["StrayChangesOut"];
const SHOWN = 5;

interface SpotsProps {
  strays: Stray[];
  /** Mends one; none, where that can't be done here. */
  onMend: ((stray: Stray) => void) | null;
}

function Spots({ strays, onMend }: SpotsProps) {
  const { t } = useTranslation();
  return (
    <ul className="my-2 grid gap-2">
      {strays.slice(0, SHOWN).map((stray) => (
        <li key={stray.id}>
          <b className="font-semibold break-words">{stray.title || stray.page || t("consistency.allPages")}</b>
          <Spot stray={stray} />
          {onMend && stray.mend && !stray.asks && (
            <ActionLink onClick={() => onMend(stray)}>
              {t("consistency.mend")}
              <span className="unseen">
                : {stray.title || stray.page}, “{stray.says}”
              </span>
            </ActionLink>
          )}
        </li>
      ))}
      {strays.length > SHOWN && <li>{t("strayNews.more", { count: strays.length - SHOWN })}</li>}
    </ul>
  );
}

interface Props {
  site: string;
  /** The draft's number of writes that is reviewed. */
  revision: number;
  edits: boolean;
}

/** Which strays publishing would bring before visitors, to be mended here, and how many it would end. */
export function StrayNews({ site, revision, edits }: Props) {
  const { t } = useTranslation();
  const mend = useMend(site);
  const found = useQuery({
    queryKey: ["sweep change", site, revision],
    queryFn: () => result<StrayChanges>(api.GET("/api/sites/{site}/sweep/change", { params: { path: { site } } })),
    placeholderData: (before) => before,
  }).data;
  if (!found || (found.made.length === 0 && found.ended === 0)) return null;
  const made = found.made.length;
  // Of a large site, whose pages are not all looked at here, the view of its own mends.
  const mends = edits && found.is_whole;
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
          <Spots
            strays={found.made}
            onMend={mends ? ({ id }) => !mend.isPending && mend.mutate({ revision, strays: [{ id }] }) : null}
          />
        )}
        {found.ended > 0 && <p>{t("strayNews.ended", { count: found.ended })}</p>}
        {!found.is_whole && <p>{t("strayNews.part")}</p>}
        <ErrorNotice error={mend.error} />
      </Notice>
    </div>
  );
}
