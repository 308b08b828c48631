import { Search } from "lucide-react";
import { useEffect, useRef } from "react";
import { NavLink, useLocation, useNavigate } from "react-router";
import type { Session, Site } from "../api/client";
import { countChanges } from "../draft/changes";
import { useSelect, useStore } from "../draft/hooks";
import { LanguageChoice } from "../i18n/LanguageChoice";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { Glyph } from "../ui/Glyph";
import { AccountMenu } from "./AccountMenu";
import { useDeskKeys } from "./opened";
import { SiteSwitcher } from "./SiteSwitcher";
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

function Views({ site }: { site: Site }) {
  const { t } = useTranslation();
  const { pathname } = useLocation();
  const nav = useRef<HTMLElement>(null);
  // On a phone the row of views is wider than the window: the one that is open is to be seen.
  useEffect(() => {
    // With the next frame, which lays the view out anyway.
    const frame = requestAnimationFrame(() => {
      nav.current?.querySelector("[aria-current=page]")?.scrollIntoView({ inline: "center", block: "nearest" });
    });
    return () => cancelAnimationFrame(frame);
  }, [pathname]);
  return (
    <nav
      ref={nav}
      aria-label={t("shell.views")}
      className="relative flex min-w-0 flex-1 gap-0.5 overflow-x-auto max-xl:order-2"
    >
      {VIEWS.map((view) => (
        <NavLink
          key={view}
          to={`/${site.slug}/${view}`}
          className="rounded-full px-2.5 py-2 font-medium xl:px-2 2xl:px-3 whitespace-nowrap text-soft hover:text-ink aria-[current=page]:bg-board aria-[current=page]:text-ink"
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
      className="grid size-9 flex-none place-items-center rounded-full text-soft hover:bg-board max-xl:order-2 max-sm:hidden"
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
  async function review() {
    await store.flush();
    void navigate(`/${site.slug}/review`);
  }
  return (
    <div className="ms-auto flex items-center gap-3">
      <span className="flex items-center gap-2 whitespace-nowrap text-soft max-sm:text-xs" role="status">
        {count > 0 && <i aria-hidden className="h-2.5 w-4.5 -skew-x-12 bg-mark" />}
        {behind ? t("shell.behind") : t("shell.kept", { count })}
      </span>
      {site.may.edit.allowed && (
        <Button className="max-sm:px-3" disabled={count === 0} onClick={() => void review()}>
          <span className="max-sm:hidden">{t("shell.review")}</span>
          <span className="sm:hidden">{t("shell.reviewShort")}</span>
        </Button>
      )}
    </div>
  );
}

export function TopBar({ site, sites, person }: Props) {
  return (
    <header className="sticky top-0 z-30 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line bg-paper px-3 py-2 sm:px-5 xl:h-15 xl:flex-nowrap xl:gap-x-2 2xl:gap-x-4 xl:py-0">
      <span className="max-sm:hidden">
        <Glyph />
      </span>
      <SiteSwitcher site={site} sites={sites} mayMakeSites={person.may_make_sites} />
      <i aria-hidden className="h-8 w-px bg-line max-2xl:hidden" />
      <i aria-hidden className="order-1 basis-full xl:hidden" />
      <Views site={site} />
      <Find />
      <Kept site={site} />
      <LanguageChoice compact className="max-xl:order-3" />
      <span className="max-xl:order-3">
        <AccountMenu person={person} site={site} />
      </span>
    </header>
  );
}
