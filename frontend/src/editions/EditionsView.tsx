import { ExternalLink } from "lucide-react";
import { useEffect, useRef } from "react";
import { Link } from "react-router";
import type { Edition, Site } from "../api/client";
import { countChanges } from "../draft/changes";
import { useTranslation } from "../i18n/useTranslation";
import { ChangeList, MoreChanges } from "../review";
import { useSelect, useSite, useStore } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useUndoKeys } from "../draft/useUndoKeys";
import { useFormat } from "../i18n/format";
import { useComesIntoView, useNamed } from "../ui/named";
import { QueryBoundary } from "../ui/QueryBoundary";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { ViewHead } from "../ui/ViewHead";
import { useEditions, useRestore } from "./api";
import { Compared } from "./Compared";
import { EditionName } from "./EditionName";

function Actions({ edition, site, restore }: { edition: Edition; site: Site; restore: ReturnType<typeof useRestore> }) {
  const { t } = useTranslation();
  return (
    <p className="flex flex-wrap gap-x-5 gap-y-1">
      <a
        href={edition.preview_url}
        target="_blank"
        rel="noreferrer"
        className="act-link inline-flex items-center gap-1.5"
      >
        {t("editions.preview")} <span className="unseen">{edition.number}</span> <ExternalLink size={12} aria-hidden />
      </a>
      {site.may.edit.allowed && (
        <button
          type="button"
          className="act-link"
          disabled={restore.isPending}
          onClick={() => restore.mutate(edition.number)}
        >
          {t("editions.bringBack")} <span className="unseen">{edition.number}</span>
        </button>
      )}
    </p>
  );
}

function EditionRow({
  edition,
  editions,
  site,
  named,
  restore,
}: {
  edition: Edition;
  editions: Edition[];
  site: Site;
  named: boolean;
  restore: ReturnType<typeof useRestore>;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const row = useRef<HTMLLIElement>(null);
  useComesIntoView(row, named);
  return (
    <li ref={row} className="grid gap-x-6 gap-y-2 border-b border-line px-6 py-4 md:grid-cols-[15rem_1fr]">
      <div>
        <h2 className="flex items-center gap-2.5 text-base font-semibold">
          {t("editions.number", { number: edition.number })}
          {edition.live && (
            <span className="rounded-full bg-act-soft px-2 py-0.5 font-body text-xs text-act">
              {t("editions.live")}
            </span>
          )}
        </h2>
        <p className="text-xs text-soft">
          {format.instant(edition.published)}
          <br />
          {t("editions.by", { name: edition.by || t("editions.nobody") })}
          {edition.writers.some((name) => name !== edition.by) && (
            <>
              <br />
              {t("editions.writers", { names: format.list(edition.writers) })}
            </>
          )}
        </p>
        <EditionName edition={edition} site={site.slug} edits={site.may.edit.allowed} />
      </div>
      <div className="min-w-0">
        <p className="mb-1.5 font-semibold">
          {edition.changes
            .slice(0, 3)
            .map((change) => change.words)
            .join(" · ")}
        </p>
        <details className="mb-1.5">
          <summary className="text-soft">{t("editions.all", { count: edition.changes.length + edition.more })}</summary>
          <ChangeList changes={edition.changes} tense="after" />
          <MoreChanges count={edition.more} />
        </details>
        <Actions edition={edition} site={site} restore={restore} />
        <Compared edition={edition} editions={editions} />
      </div>
    </li>
  );
}

function Restored({ site, restore }: { site: Site; restore: ReturnType<typeof useRestore> }) {
  const { t } = useTranslation();
  const store = useStore();
  const count = useSelect(({ facts }) => countChanges(facts));
  if (restore.error) return <ErrorNotice error={restore.error} />;
  if (!restore.data) return null;
  return (
    <Notice
      tone="act"
      actions={
        <span className="inline-flex gap-4">
          {count > 0 && (
            <Link to={`/${site.slug}/review`} className="act-link" onClick={() => void store.flush()}>
              {t("shell.review")}
            </Link>
          )}
          <Link to={`/${site.slug}/style`} className="act-link">
            {t("review.back")}
          </Link>
        </span>
      }
    >
      {t("editions.restored", { number: restore.data.number })} {t("editions.restoredNext", { count })}
    </Notice>
  );
}

export function EditionsView() {
  const { t } = useTranslation();
  const site = useSite();
  const editions = useEditions(site.slug);
  const restore = useRestore(site.slug);
  useUndoKeys(useStore(), site.may.edit.allowed);
  const named = useNamed("edition");
  const oldest = editions.data?.pages.at(-1)?.editions.at(-1)?.number ?? 0;
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = editions;
  useEffect(() => {
    const isFurther = named.number !== null && named.number < oldest;
    if (isFurther && hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [named.number, oldest, hasNextPage, isFetchingNextPage, fetchNextPage]);
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper">
      <ViewHead title={t("view.editions")} lead={t("editions.lead")}>
        {site.may.edit.allowed && <UndoButtons />}
      </ViewHead>
      <div className="px-6 pb-3 empty:hidden">
        <Restored site={site} restore={restore} />
      </div>
      <QueryBoundary query={editions}>
        {({ pages }) =>
          pages[0]?.editions.length ? (
            <ol className="border-t border-ink">
              {pages
                .flatMap((part) => part.editions)
                .map((edition) => (
                  <EditionRow
                    key={edition.number === named.number ? named.visit : edition.number}
                    edition={edition}
                    editions={pages.flatMap((part) => part.editions)}
                    site={site}
                    named={edition.number === named.number}
                    restore={restore}
                  />
                ))}
            </ol>
          ) : (
            <p className="px-6 py-4 text-soft">{t("editions.none")}</p>
          )
        }
      </QueryBoundary>
      {editions.hasNextPage && (
        <button type="button" className="act-link m-6" onClick={() => void editions.fetchNextPage()}>
          {t("editions.more")}
        </button>
      )}
    </div>
  );
}
