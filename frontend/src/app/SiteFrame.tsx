import { useEffect } from "react";
import { useTranslation } from "react-i18next";
import { Outlet, useOutletContext, useParams } from "react-router";
import type { Session, Site } from "../api/client";
import { KeeperProvider } from "../sheet/KeeperProvider";
import { useSites } from "../sites/api";
import { Await } from "../ui/Await";
import { rememberSite } from "./lastSite";
import { Nowhere } from "./Nowhere";
import { TopBar } from "./TopBar";

type Person = NonNullable<Session["account"]>;

/** The site that is open. */
export function useSite(): Site {
  return useOutletContext<Site>();
}

function OpenSite({ site, sites, person }: { site: Site; sites: Site[]; person: Person }) {
  const { t } = useTranslation();
  useEffect(() => rememberSite(site.slug), [site.slug]);
  useEffect(() => {
    document.title = `${site.label || site.name} · Hestor`;
  }, [site.label, site.name]);
  return (
    <KeeperProvider key={site.slug} site={site}>
      <a href="#view" className="act-link absolute -top-20 left-3 z-50 bg-paper px-3 py-2 focus:top-2">
        {t("shell.skip")}
      </a>
      <TopBar site={site} sites={sites} person={person} />
      <main id="view" tabIndex={-1} className="outline-none">
        <Outlet context={site} />
      </main>
    </KeeperProvider>
  );
}

/** Every view of a site: the bar at the top that says which one is open, and the view below it. */
export function SiteFrame({ person }: { person: Person }) {
  const { site: slug } = useParams();
  const sites = useSites();
  return (
    <Await query={sites}>
      {(all) => {
        const site = all.find((one) => one.slug === slug);
        return site ? <OpenSite site={site} sites={all} person={person} /> : <Nowhere />;
      }}
    </Await>
  );
}
