import { useEffect, useState } from "react";
import { Link } from "react-router";
import type { Site } from "../api/client";
import { LanguageChoice } from "../i18n/LanguageChoice";
import { useTranslation } from "../i18n/useTranslation";
import { useSites } from "../sites";
import { ActionLink } from "../ui/ActionLink";
import { ColumnHead } from "../ui/ColumnHead";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { NotFetched, QueryBoundary } from "../ui/QueryBoundary";
import { SearchField } from "../ui/SearchField";
import { useSiteStates, useTakeBack, type Done } from "./api";
import { ReviewSeveral } from "./ReviewSeveral";
import { RoundBar } from "./RoundBar";
import { SiteRow } from "./SiteRow";

const has = (site: Site, sought: string) =>
  [site.name, site.label, site.host].some((words) => words.toLocaleLowerCase().includes(sought.toLocaleLowerCase()));

/** What was done last to several sites, with the way back, and forth again. */
function Last({ done, isBack, onTurn }: { done: Done[]; isBack: boolean; onTurn: (done: Done[]) => void }) {
  const { t } = useTranslation();
  const turn = useTakeBack();
  return (
    <div className="px-6 pb-3">
      <Notice
        tone="act"
        actions={
          done.length > 0 && (
            <ActionLink onClick={() => !turn.isPending && turn.mutate(done, { onSuccess: onTurn })}>
              {t(isBack ? "sheet.redo" : "sheet.undo")}
            </ActionLink>
          )
        }
      >
        <span role="status">
          {done.length === 0 ? t("round.unchanged") : t(isBack ? "round.undone" : "round.done", { count: done.length })}
        </span>
      </Notice>
      <ErrorNotice error={turn.error} />
    </div>
  );
}

function Table({ sites, chosen, onChoose }: { sites: Site[]; chosen: string[]; onChoose: (slugs: string[]) => void }) {
  const { t } = useTranslation();
  const query = useSiteStates();
  const states = query.data;
  return (
    <>
      {!states && query.isError && (
        <div className="px-6 pb-3">
          <NotFetched query={query} />
        </div>
      )}
      <table className="w-full border-collapse border-t border-ink">
        <thead className="text-xs text-soft">
          <tr>
            <ColumnHead className="py-1.5 ps-16">{t("round.site")}</ColumnHead>
            <ColumnHead className="px-3 max-sm:hidden">{t("pages.address")}</ColumnHead>
            <ColumnHead className="px-3">{t("pages.is")}</ColumnHead>
            <ColumnHead className="px-3 max-sm:hidden">{t("view.consistency")}</ColumnHead>
            <ColumnHead className="px-3 pe-6 max-md:hidden">{t("round.last")}</ColumnHead>
          </tr>
        </thead>
        <tbody>
          {sites.map((site) => (
            <SiteRow
              key={site.slug}
              site={site}
              state={states?.find(({ slug }) => slug === site.slug)}
              chosen={chosen.includes(site.slug)}
              onChoose={(on) => onChoose(on ? [...chosen, site.slug] : chosen.filter((slug) => slug !== site.slug))}
            />
          ))}
        </tbody>
      </table>
    </>
  );
}

function Round({ sites }: { sites: Site[] }) {
  const { t } = useTranslation();
  const [sought, setSought] = useState("");
  const [ticked, setTicked] = useState<string[]>([]);
  const [isReviewing, setReviewing] = useState(false);
  const [last, setLast] = useState<{ done: Done[]; isBack: boolean } | null>(null);
  const shown = sites.filter((site) => has(site, sought.trim()));
  const chosen = sites.filter(({ slug }) => ticked.includes(slug));
  return (
    <>
      <div className="flex flex-wrap items-center gap-4 px-6 pb-3">
        {sites.length > 1 && <SearchField label={t("round.find")} value={sought} onType={setSought} />}
        {shown.length > 1 && (
          <ActionLink onClick={() => setTicked(shown.map(({ slug }) => slug))}>{t("round.all")}</ActionLink>
        )}
      </div>
      {last && <Last {...last} onTurn={(done) => setLast({ done, isBack: !last.isBack })} />}
      {isReviewing && <ReviewSeveral sites={chosen} onLeave={() => setReviewing(false)} />}
      {shown.length > 0 ? (
        <Table sites={shown} chosen={ticked} onChoose={setTicked} />
      ) : (
        <p className="px-6 py-4 text-soft">{t(sites.length ? "round.none" : "round.noSite", { sought })}</p>
      )}
      {chosen.length > 0 && !isReviewing && (
        <RoundBar
          sites={sites}
          chosen={chosen}
          onDone={(done) => setLast({ done, isBack: false })}
          onReview={() => {
            setReviewing(true);
            scrollTo(0, 0);
          }}
          onClear={() => setTicked([])}
        />
      )}
    </>
  );
}

/** All sites of a person in one table, with their state, and acts on several at once. */
export function AllSitesView({ mayMakeSites }: { mayMakeSites: boolean }) {
  const { t } = useTranslation();
  const sites = useSites();
  const title = t("round.title");
  useEffect(() => {
    document.title = `${title} · Hestor`;
  }, [title]);
  return (
    <main id="view" className="min-h-screen bg-paper">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-6 pt-4 pb-3">
        <h1 className="text-[22px] leading-none font-[650] tracking-tight">{title}</h1>
        <span className="text-soft">{sites.data?.length}</span>
        {mayMakeSites && (
          <Link to="/new-site" className="act-link">
            {t("switcher.another")}
          </Link>
        )}
        <Link to="/your-account" className="act-link">
          {t("account.title")}
        </Link>
        <span className="ms-auto">
          <LanguageChoice />
        </span>
      </div>
      <QueryBoundary query={sites}>{(all) => <Round sites={all} />}</QueryBoundary>
    </main>
  );
}
