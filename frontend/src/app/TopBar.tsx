import { Search } from "lucide-react";
import { useEffect, useRef, type RefObject } from "react";
import { NavLink, useLocation, useNavigate } from "react-router";
import type { Session, Site } from "../api/client";
import { countChanges } from "../draft/changes";
import { useSelect, useStore } from "../draft/hooks";
import { LanguageChoice } from "../i18n/LanguageChoice";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { centerInRow } from "../ui/centerInRow";
import { Glyph } from "../ui/Glyph";
import { AccountMenu } from "./AccountMenu";
import { useDeskKeys } from "./opened";
import { SiteSwitcher } from "./SiteSwitcher";
import { useOneRow } from "./useOneRow";
import { VIEWS } from "./views";

interface Props {
  site: Site;
  sites: Site[];
  person: NonNullable<Session["account"]>;
}

/** How many messages wait for an answer; or, marked, that some could not be sent. */
function Waiting({ site }: { site: Site }) {
  const { t } = useTranslation();
  if (site.unsent > 0)
    return (
      <span className="ms-1 font-semibold text-stop">
        ▲<span className="unseen"> {t("tray.failedCount", { count: site.unsent })}</span>
      </span>
    );
  if (site.unanswered === 0) return null;
  return (
    <span className="ms-1.5 text-xs font-semibold">
      {site.unanswered}
      <span className="unseen"> {t("inbox.shown.open")}</span>
    </span>
  );
}

function Views({ site, nav }: { site: Site; nav: RefObject<HTMLElement | null> }) {
  const { t } = useTranslation();
  const { pathname } = useLocation();
  // On a phone the row of views is wider than the window: the one that is open is to be seen.
  useEffect(() => {
    // With the next frame, which lays the view out anyway.
    const frame = requestAnimationFrame(() => centerInRow(nav.current, "[aria-current=page]"));
    return () => cancelAnimationFrame(frame);
  }, [pathname, nav]);
  return (
    <nav ref={nav} aria-label={t("shell.views")} className="relative flex min-w-0 flex-1 gap-0.5 overflow-x-auto">
      {VIEWS.map((view) => (
        <NavLink
          key={view}
          to={`/${site.slug}/${view}`}
          className="rounded-full px-2 py-2 font-medium 2xl:px-3 whitespace-nowrap text-soft hover:text-ink aria-[current=page]:bg-board aria-[current=page]:text-ink"
        >
          {t(`view.${view}`)}
          {view === "mail" && <Waiting site={site} />}
        </NavLink>
      ))}
    </nav>
  );
}

function Find() {
  const { t } = useTranslation();
  const open = useDeskKeys();
  return (
    <button
      type="button"
      aria-label={t("finder.title")}
      aria-keyshortcuts="Control+K"
      title={t("finder.hint")}
      onClick={() => open("finder")}
      className="grid size-9 flex-none place-items-center rounded-full text-soft hover:bg-board max-[899px]:size-11"
    >
      <Search size={18} aria-hidden />
    </button>
  );
}

function Kept({ site }: { site: Site }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const store = useStore();
  const count = useSelect(({ facts }) => countChanges(facts));
  const behind = useSelect((one) => one.behind);
  // Before the first edition nothing is a change: all of it is new.
  const isFirst = site.live_number === 0;
  const isCounted = count > 0 && !behind && !isFirst;
  async function review() {
    await store.flush();
    void navigate(`/${site.slug}/review`);
  }
  return (
    <div className="ms-auto flex items-center gap-3">
      <span className="flex items-center gap-2 whitespace-nowrap text-soft" role="status">
        {count > 0 && <i aria-hidden className="h-2.5 w-4.5 -skew-x-12 bg-mark" />}
        {/* Where there is less room, fewer words are seen; all are read out. */}
        <span className={isCounted ? "max-2xl:sr-only" : "max-sm:sr-only"}>
          {behind ? t("shell.behind") : isFirst ? t("shell.first") : t("shell.kept", { count })}
        </span>
        {isCounted && (
          <span aria-hidden className="2xl:hidden">
            <span className="max-sm:hidden">{t("shell.short", { count })}</span>
            <span className="sm:hidden">{count}</span>
          </span>
        )}
      </span>
      {site.may.edit.allowed && (
        <Button className="max-sm:px-3" disabled={count === 0} onClick={() => void review()}>
          <span className="max-lg:hidden">{t("shell.review")}</span>
          <span className="lg:hidden">{t("shell.reviewShort")}</span>
        </Button>
      )}
    </div>
  );
}

const ROW = "z-30 flex items-center gap-x-2 border-line bg-paper px-3 sm:px-5";

/**
 * The bar of a site. Where its parts don't stand in one row, the views have one of their own; on a phone that row goes
 * when the view is scrolled, and what is always needed stays.
 */
export function TopBar({ site, sites, person }: Props) {
  const { i18n } = useTranslation();
  const nav = useRef<HTMLElement>(null);
  const waiting = useSelect(({ facts, behind }) => `${String(countChanges(facts))} ${String(behind)}`);
  const isOneRow = useOneRow(nav, [i18n.language, waiting, site.name, site.label, site.unanswered, site.unsent].join());
  const switcher = <SiteSwitcher site={site} sites={sites} mayMakeSites={person.may_make_sites} />;
  const glyph = (
    <span className="max-sm:hidden">
      <Glyph />
    </span>
  );
  if (isOneRow)
    return (
      <header className={`sticky top-0 h-15 border-b 2xl:gap-x-4 ${ROW}`}>
        {glyph}
        {switcher}
        <i aria-hidden className="h-8 w-px bg-line max-2xl:hidden" />
        <Views site={site} nav={nav} />
        <Find />
        <Kept site={site} />
        <LanguageChoice compact />
        <AccountMenu person={person} site={site} />
      </header>
    );
  return (
    <header className="contents">
      <div className={`sticky top-0 h-14 ${ROW}`}>
        {glyph}
        {switcher}
        <span aria-hidden className="flex-1 max-sm:hidden" />
        <Find />
        <Kept site={site} />
      </div>
      <div className={`h-12 border-b min-[900px]:sticky min-[900px]:top-14 ${ROW}`}>
        <Views site={site} nav={nav} />
        <LanguageChoice compact />
        <AccountMenu person={person} site={site} />
      </div>
    </header>
  );
}
