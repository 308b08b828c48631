import { useEffect } from "react";
import { ErrorBoundary } from "react-error-boundary";
import { Outlet, useLocation, useParams } from "react-router";
import type { Session, Site } from "../api/client";
import { DraftProvider } from "../draft/DraftProvider";
import { useTranslation } from "../i18n/useTranslation";
import { useSites } from "../sites";
import { QueryBoundary } from "../ui/QueryBoundary";
import { DeskKeys } from "./DeskKeys";
import { rememberSite } from "./lastSite";
import { Nowhere } from "./Nowhere";
import { StateBar } from "./StateBar";
import { TopBar } from "./TopBar";
import { useViewFocus } from "./useViewFocus";
import { ViewFailed } from "./ViewFailed";

type Person = NonNullable<Session["account"]>;

function View({ site }: { site: Site }) {
  const { pathname } = useLocation();
  useViewFocus(pathname);
  return (
    <main id="view" tabIndex={-1} className="outline-none">
      <ErrorBoundary FallbackComponent={ViewFailed} resetKeys={[pathname]}>
        <Outlet context={site} />
      </ErrorBoundary>
    </main>
  );
}

function OpenSite({ site, sites, person }: { site: Site; sites: Site[]; person: Person }) {
  const { t } = useTranslation();
  const { pathname } = useLocation();
  const view = t(`view.${pathname.split("/")[2] ?? ""}`, "");
  useEffect(() => rememberSite(site.slug), [site.slug]);
  useEffect(() => {
    document.title = [site.label || site.name, view, "Hestor"].filter(Boolean).join(" · ");
  }, [view, site.label, site.name]);
  return (
    <DraftProvider key={site.slug} site={site}>
      <a href="#view" className="act-link absolute -top-20 left-3 z-50 bg-paper px-3 py-2 focus:top-2">
        {t("shell.skip")}
      </a>
      <DeskKeys person={person} sites={sites} site={site}>
        <TopBar site={site} sites={sites} person={person} />
        <StateBar site={site} />
        <View site={site} />
      </DeskKeys>
    </DraftProvider>
  );
}

/** Every view of a site: the bar at the top that says which one is open, and the view below it. */
export function SiteFrame({ person }: { person: Person }) {
  const { site: slug } = useParams();
  const sites = useSites();
  return (
    <QueryBoundary query={sites}>
      {(all) => {
        const site = all.find((one) => one.slug === slug);
        return site ? <OpenSite site={site} sites={all} person={person} /> : <Nowhere />;
      }}
    </QueryBoundary>
  );
}
