import { ExternalLink } from "lucide-react";
import { useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { Link } from "react-router";
import type { Change, Site } from "../api/client";
import { useSelect, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Loading, QueryBoundary } from "../ui/QueryBoundary";
import { Button } from "../ui/Button";
import { CheckBox } from "../ui/CheckBox";
import { focusCalmly } from "../ui/focusCalmly";
import { Refusals } from "../ui/Refusals";
import { Notice } from "../ui/Notice";
import { heldChange, useChanges, usePublish, useTiming, type Changes, type Published, type Timing } from "./api";
import { ChangeList, MoreChanges } from "./ChangeList";
import { Confirmed, useLive } from "./Confirmed";
import { FirstEdition } from "./FirstEdition";
import { Later } from "./Later";
import { TimedNotice } from "./TimedNotice";
import { ProofsProvider } from "../proofs/ProofsProvider";
import { ChangeProofs } from "./ChangeProofs";
import { StillUnsaid } from "./StillUnsaid";
import { StrayNews } from "./StrayNews";

/** The title of what a view has become: read out when it comes, with the view at its top. */
function Title({ children }: { children: ReactNode }) {
  const title = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    focusCalmly(title.current);
    scrollTo(0, 0);
  }, []);
  return (
    <h1 ref={title} tabIndex={-1} className="text-[22px] leading-tight font-[650] tracking-tight outline-none">
      {children}
    </h1>
  );
}

function Done({ site, edition }: { site: Site; edition: Published }) {
  const { t } = useTranslation();
  const live = useLive(site.slug);
  const agree = live.looked && live.isDone ? live.looked.total - live.straying : null;
  return (
    <div className="max-w-3xl p-6">
      <div className="rounded-lg bg-act-soft p-6">
        <Title>
          {agree === null || !live.looked
            ? t("review.done", { number: edition.number })
            : t("review.doneAgree", { number: edition.number, agree, count: live.looked.total })}
        </Title>
        <p role="status" className="mt-1">
          {t("review.doneText", { name: edition.name })}
        </p>
        <p className="mt-4 flex flex-wrap gap-x-6 gap-y-2">
          <a
            href={edition.address}
            target="_blank"
            rel="noreferrer"
            className="act-link inline-flex items-center gap-1.5"
          >
            {t("review.seeLive")} <ExternalLink size={13} aria-hidden />
          </a>
          <Link to={`/${site.slug}/style`} className="act-link">
            {t("review.back")}
          </Link>
          <Link to={`/${site.slug}/editions`} className="act-link">
            {t("review.allEditions")}
          </Link>
        </p>
      </div>
      <Confirmed site={site.slug} live={live} />
      <h2 className="mt-7 mb-1 text-base font-semibold">{t("review.published")}</h2>
      <ChangeList changes={edition.changes} tense="after" />
      <MoreChanges count={edition.more} />
    </div>
  );
}

/** What stands in a field but is not saved would not be published; that has to be said before. */
function NotSaved() {
  const { t } = useTranslation();
  const keys = useSelect(({ facts }) => facts.notSaved());
  const names = keys.map((key) => t(`factName.${key}`));
  if (!names.length) return null;
  return (
    <div className="mb-5">
      <Notice tone="warn">{t("review.notSaved", { facts: names.join(", ") })}</Notice>
    </div>
  );
}

/** What a change is known by in a list. */
const keyOf = ({ kind, key }: Change) => `${kind} ${key}`;

interface ReadyProps {
  site: Site;
  changes: Changes;
  /** Asks for more of the changes. */
  onMore: () => void;
  publish: ReturnType<typeof usePublish>;
  timing: Timing | undefined;
}

function Ready({ site, changes, onMore, publish, timing }: ReadyProps) {
  const { t } = useTranslation();
  const first = changes.live_number === 0;
  const mayPublish = site.may.publish.allowed;
  const [heldKeys, setHeld] = useState<ReadonlySet<string>>(new Set());
  const isHeld = (change: Change) => heldKeys.has(keyOf(change));
  const held = changes.changes.filter(isHeld);
  const heldFacts = useMemo(
    () => changes.changes.filter((one) => one.kind === "fact" && heldKeys.has(keyOf(one))).map((one) => one.key),
    [changes, heldKeys],
  );
  const publishing = { revision: changes.revision, held: held.map(heldChange) };
  const count = changes.count - held.length;
  function hold(change: Change, on: boolean) {
    const next = new Set(heldKeys);
    if (on) next.add(keyOf(change));
    else next.delete(keyOf(change));
    setHeld(next);
  }
  return (
    <div className="flex min-h-[calc(100vh-60px)] max-w-[96rem] flex-col px-6 pt-4">
      <Title>{t(first ? "review.titleFirst" : "review.title", { name: site.name })}</Title>
      <p className="mt-1 mb-5 text-soft">
        {first ? t("review.leadFirst", { address: site.host }) : t("review.lead", { address: site.host })}
      </p>
      <div className="mb-5 empty:hidden">
        <Refusals error={publish.error} lost={t("review.lost")}>
          {t("review.lookAgain")}
        </Refusals>
      </div>
      {timing && <TimedNotice site={site.slug} timing={timing} mayChange={mayPublish} />}
      <NotSaved />
      <ProofsProvider site={site.slug} path={changes.shown_on} at="" held={heldFacts}>
        {first ? (
          <FirstEdition changes={changes} onMore={onMore} />
        ) : (
          <ChangeList
            changes={changes.changes}
            tense="before"
            aside={(change) =>
              !isHeld(change) && (
                <ChangeProofs change={change} site={site.slug} path={changes.shown_on} live={changes.live_number} />
              )
            }
            isQuiet={isHeld}
            below={(change) =>
              mayPublish &&
              changes.count > 1 && (
                <div className="mt-1.5 text-[13px]">
                  <CheckBox checked={isHeld(change)} onChange={(on) => hold(change, on)}>
                    {t("review.hold")}
                    <span className="unseen">: {change.kind === "fact" ? change.name : change.new || change.old}</span>
                  </CheckBox>
                </div>
              )
            }
          />
        )}
      </ProofsProvider>
      {!first && <MoreChanges count={changes.count - changes.changes.length} onMore={onMore} />}
      <StillUnsaid site={site.slug} />
      <StrayNews site={site.slug} revision={changes.revision} />
      {mayPublish && count > 0 && timing && <Later site={site.slug} timing={timing} publishing={publishing} />}
      {/* It stays where it is while what stands above it comes: else a click would miss it. */}
      <div className="sticky bottom-0 z-10 -mx-6 mt-auto flex flex-wrap items-center gap-x-6 gap-y-1 border-t border-line bg-paper px-6 py-2.5 sm:gap-y-3 sm:py-4">
        {mayPublish ? (
          <Button disabled={publish.isPending || count === 0} onClick={() => publish.mutate(publishing)}>
            {publish.isPending
              ? t("review.publishing")
              : first
                ? t("review.publishFirst")
                : t("review.publish", { count })}
          </Button>
        ) : (
          <p className="text-soft">{site.may.publish.reason}</p>
        )}
        {held.length > 0 && (
          <p role="status" className="text-soft">
            {t("review.held", { count: held.length })}
          </p>
        )}
        <a
          href={changes.preview_url}
          target="_blank"
          rel="noreferrer"
          className="act-link inline-flex items-center gap-1.5"
        >
          {t("review.preview")} <ExternalLink size={13} aria-hidden />
        </a>
        <Link to={`/${site.slug}/style`} className="act-link">
          {t("review.back")}
        </Link>
      </div>
    </div>
  );
}

function Nothing({ site }: { site: Site }) {
  const { t } = useTranslation();
  return (
    <div className="max-w-3xl p-6">
      <h1 className="text-[22px] font-[650] tracking-tight">{t("review.nothing")}</h1>
      <p className="mt-1 mb-4 text-soft">{t("review.nothingText")}</p>
      <Link to={`/${site.slug}/style`} className="act-link">
        {t("review.back")}
      </Link>
    </div>
  );
}

/** What will change for visitors, old and new; then publishing, and what was done. */
export function ReviewView() {
  const site = useSite();
  const changes = useChanges(site.slug);
  const publish = usePublish(site.slug);
  const timing = useTiming(site.slug).data;
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper">
      {publish.data ? (
        <Done site={site} edition={publish.data} />
      ) : (
        <QueryBoundary query={changes}>
          {(now) =>
            now.changes.length ? (
              <Ready
                site={site}
                changes={now}
                onMore={() => void changes.fetchNextPage()}
                publish={publish}
                timing={timing}
              />
            ) : changes.isFetchedAfterMount ? (
              <Nothing site={site} />
            ) : (
              <Loading />
            )
          }
        </QueryBoundary>
      )}
    </div>
  );
}
