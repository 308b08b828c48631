import { useState } from "react";
import { Link } from "react-router";
import type { Site } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { usePublishSeveral, useReviews, type Outcome } from "./api";

type Reviews = ReturnType<typeof useReviews>;

function Changes({ site, review }: { site: Site; review: Reviews[number] | undefined }) {
  const { t } = useTranslation();
  const found = review?.data;
  if (!found) return review?.error ? <ErrorNotice error={review.error} /> : <p role="status">{t("state.loading")}</p>;
  if (found.count === 0) return <p className="text-soft">{t("review.nothing")}</p>;
  const left = found.count - found.changes.length;
  return (
    <ul className="grid gap-1">
      {found.changes.map((change) => (
        <li key={`${change.kind} ${change.key}`} dir="auto" className="min-w-0 break-words">
          {change.words}
          {change.kind === "fact" && (
            <span className="block text-soft">
              <bdi>{change.old || t("sheet.nothing")}</bdi> → <bdi>{change.new || t("sheet.nothing")}</bdi>
            </span>
          )}
        </li>
      ))}
      {left > 0 && (
        <li>
          <Link to={`/${site.slug}/review`} className="act-link">
            {t("round.further", { count: left })}
          </Link>
        </li>
      )}
    </ul>
  );
}

function Came({ site, outcome }: { site: Site; outcome: Outcome }) {
  const { t } = useTranslation();
  if (outcome.number === null) return <p className="text-stop">{outcome.why}</p>;
  return (
    <p className="text-act">
      {t("review.done", { number: outcome.number })}{" "}
      <a href={site.address} target="_blank" rel="noreferrer" className="act-link">
        {site.host}
      </a>
    </p>
  );
}

/** What all that are ticked would publish, and publishing it. */
export function ReviewSeveral({ sites, onLeave }: { sites: Site[]; onLeave: () => void }) {
  const { t } = useTranslation();
  const [slugs] = useState(() => sites.map(({ slug }) => slug));
  const reviews = useReviews(slugs);
  const publish = usePublishSeveral();
  const came = publish.data;
  const ready = slugs.flatMap((site, at) => {
    const found = reviews[at]?.data;
    return found && found.count > 0 ? [{ site, revision: found.revision }] : [];
  });
  const isRead = reviews.every(({ isFetching }) => !isFetching);
  return (
    <section aria-labelledby="round-review" className="mx-6 my-4 rounded-lg border border-line p-4">
      <h2 id="round-review" tabIndex={-1} className="mb-3 text-lg font-semibold">
        {t("round.review")}
      </h2>
      <div className="grid gap-4">
        {slugs.map((slug, at) => {
          const site = sites.find((one) => one.slug === slug);
          const outcome = came?.find((one) => one.site === slug);
          if (!site) return null;
          return (
            <div key={slug} className="grid gap-1 border-t border-line pt-3">
              <h3 className="flex flex-wrap items-center gap-2 font-semibold">
                <img src={site.icon_url} alt="" width={24} height={24} className="rounded-sm" />
                <span dir="auto">{site.name}</span>
                <span className="font-code text-xs font-normal text-soft">{site.label || site.host}</span>
              </h3>
              {outcome ? <Came site={site} outcome={outcome} /> : <Changes site={site} review={reviews[at]} />}
            </div>
          );
        })}
      </div>
      <ErrorNotice error={publish.error} />
      <div className="mt-4 flex flex-wrap gap-3">
        {!came && (
          <Button disabled={!isRead || ready.length === 0 || publish.isPending} onClick={() => publish.mutate(ready)}>
            {publish.isPending ? t("review.publishing") : t("round.publish", { count: ready.length })}
          </Button>
        )}
        <Button variant="quiet" onClick={onLeave}>
          {t(came ? "round.close" : "defaults.cancel")}
        </Button>
      </div>
    </section>
  );
}
