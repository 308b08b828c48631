import { Link } from "react-router";
import type { Site } from "../api/client";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { Tick } from "../ui/Tick";
import type { SiteState } from "./api";

const CELL = "border-b border-line px-3 py-2.5 align-middle";

/** Whether visitors see the site, and whether something waits for somebody. */
function State({ site }: { site: Site }) {
  const { t } = useTranslation();
  const format = useFormat();
  const waits = site.changes > 0 && site.live_number > 0;
  return (
    <span className="grid gap-0.5">
      <span className={site.closed ? "text-warn" : "text-soft"}>
        {site.closed ? t("round.closed") : t(site.live_number ? "round.live" : "round.never")}
      </span>
      {waits && (
        <Link to={`/${site.slug}/review`} className="act-link justify-self-start">
          {t("shell.kept", { count: site.changes })}
        </Link>
      )}
      {site.timed && (
        <span className={site.timed_failed ? "text-stop" : "text-soft"}>
          {site.timed_failed ? t("round.notPublished") : t("round.timed", { at: format.instant(site.timed) })}
        </span>
      )}
      {site.unsent > 0 && (
        <Link to={`/${site.slug}/mail`} className="justify-self-start font-semibold text-stop">
          {t("tray.failedCount", { count: site.unsent })}
        </Link>
      )}
      {site.unanswered > 0 && (
        <Link to={`/${site.slug}/mail`} className="act-link justify-self-start">
          {t("round.unanswered", { count: site.unanswered })}
        </Link>
      )}
    </span>
  );
}

function Strays({ site, state }: { site: Site; state: SiteState | undefined }) {
  const { t } = useTranslation();
  if (!state) return <span className="text-soft">…</span>;
  if (state.strays === null) return <span className="text-soft">{t("round.notSwept")}</span>;
  if (state.strays === 0) return <span className="text-act">{t("round.agree")}</span>;
  return (
    <Link to={`/${site.slug}/consistency`} className="font-semibold text-warn hover:underline">
      {t("round.strays", { count: state.strays })}
    </Link>
  );
}

interface Props {
  site: Site;
  state: SiteState | undefined;
  chosen: boolean;
  onChoose: (on: boolean) => void;
}

/** A site on the round. Its name leads to its house style. */
export function SiteRow({ site, state, chosen, onChoose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const last = state?.last;
  return (
    <tr aria-selected={chosen} className="hover:bg-ground aria-selected:bg-act-soft">
      <th scope="row" className={`${CELL} ps-5 text-start font-normal`}>
        <span className="flex items-center gap-1">
          <Tick
            label={t("several.tick", { title: `${site.name} ${site.label}`.trim() })}
            checked={chosen}
            onChange={onChoose}
          />
          <img src={site.icon_url} alt="" width={30} height={30} className="flex-none rounded-md" />
          <span className="ms-2 grid min-w-0">
            <Link
              to={`/${site.slug}/style`}
              dir="auto"
              className="font-display text-[15px] font-semibold hover:underline"
            >
              {site.name}
            </Link>
            {site.label && (
              <span dir="auto" className="text-xs font-semibold">
                {site.label}
              </span>
            )}
            <span className="font-code text-xs break-all text-soft sm:hidden">{site.host}</span>
          </span>
        </span>
      </th>
      <td className={`${CELL} font-code text-xs max-sm:hidden`}>
        <a href={site.address} target="_blank" rel="noreferrer" className="act-link font-normal break-all">
          {site.host}
        </a>
      </td>
      <td className={CELL}>
        <State site={site} />
        <span className="sm:hidden">
          <Strays site={site} state={state} />
        </span>
      </td>
      <td className={`${CELL} max-sm:hidden`}>
        <Strays site={site} state={state} />
      </td>
      <td className={`${CELL} pe-6 text-soft max-md:hidden`}>
        {last && t("round.lastBy", { at: format.instant(last.published), name: last.by || t("editions.nobody") })}
      </td>
    </tr>
  );
}
