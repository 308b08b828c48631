import { ExternalLink } from "lucide-react";
import { useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { Link } from "react-router";
import type { Change, Site } from "../api/client";
import { useSelect, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { StrayNews } from "../consistency";
import { Loading, QueryBoundary } from "../ui/QueryBoundary";
import { CheckBox } from "../ui/CheckBox";
import { focusCalmly } from "../ui/focusCalmly";
import { Refusals } from "../ui/Refusals";
import { Notice } from "../ui/Notice";
import { heldChange, useChanges, usePublish, useTiming, type Changes, type Published, type Timing } from "./api";
import { Acts, PUBLISH } from "./Acts";
import { ChangeList, MoreChanges } from "./ChangeList";
import { Confirmed, useLive } from "./Confirmed";
import { FirstEdition } from "./FirstEdition";
import { Later } from "./Later";
import { TimedNotice } from "./TimedNotice";
import { ProofsProvider } from "../proofs/ProofsProvider";
import { ChangeProofs } from "./ChangeProofs";
import { StillUnsaid } from "./StillUnsaid";

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
  /** Whether the list is being read anew, since the draft was written. */
  isReread: boolean;
  /** Asks for more of the changes. */
  onMore: () => void;
  publish: ReturnType<typeof usePublish>;
  timing: Timing | undefined;
}

/** Which changes are left out of what is published, by what they are known by. */
function useHeld(changes: Changes) {
  const [heldKeys, setHeld] = useState<ReadonlySet<string>>(new Set());
  const isHeld = (change: Change) => heldKeys.has(keyOf(change));
  const facts = useMemo(
    () => changes.changes.filter((one) => one.kind === "fact" && heldKeys.has(keyOf(one))).map((one) => one.key),
    [changes, heldKeys],
  );
  function hold(change: Change, on: boolean) {
    const next = new Set(heldKeys);
    if (on) next.add(keyOf(change));
    else next.delete(keyOf(change));
    setHeld(next);
  }
  return { held: changes.changes.filter(isHeld), facts, isHeld, hold };
}

function Ready({ site, changes, isReread, onMore, publish, timing }: ReadyProps) {
  const { t } = useTranslation();
  const first = changes.live_number === 0;
  const mayPublish = site.may.publish.allowed;
  const { held, facts, isHeld, hold } = useHeld(changes);
  const publishing = { revision: changes.revision, held: held.map(heldChange) };
  return (
    <ProofsProvider site={site.slug} path={changes.shown_on} at="" held={facts}>
      <div className="flex min-h-[calc(100vh-60px)] max-w-[96rem] flex-col px-6 pt-4">
        <Title>{t(first ? "review.titleFirst" : "review.title", { name: site.name })}</Title>
        <p className="mt-1 mb-5 text-soft">
          {first ? t("review.leadFirst", { address: site.host }) : t("review.lead", { address: site.host })}
        </p>
        {mayPublish && (
          <a href={`#${PUBLISH}`} className="act-link sr-only focus:not-sr-only">
            {t("review.skip")}
          </a>
        )}
        <div className="mb-5 empty:hidden">
          <Refusals error={publish.error} lost={t("review.lost")}>
            {t("review.lookAgain")}
          </Refusals>
        </div>
        {timing && <TimedNotice site={site.slug} timing={timing} mayChange={mayPublish} />}
        <NotSaved />
        {first ? (
          <FirstEdition changes={changes} onMore={onMore} />
        ) : (
          <ChangeList
            changes={changes.changes}
            tense="before"
            aside={(change) =>
              change.kind === "fact" &&
              !isHeld(change) && (
                <ChangeProofs change={change} site={site.slug} path={changes.shown_on} live={changes.live_number} />
              )
            }
            link={(change) =>
              change.page && change.kind === "page_changed"
                ? `/${site.slug}/pages/${String(change.page)}?side=changes`
                : undefined
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
        {!first && <MoreChanges count={changes.count - changes.changes.length} onMore={onMore} />}
        <StillUnsaid site={site.slug} readOnly={!site.may.edit.allowed} />
        <StrayNews site={site.slug} revision={changes.revision} edits={site.may.edit.allowed} />
        {mayPublish && changes.count > held.length && timing && (
          <Later site={site.slug} timing={timing} publishing={publishing} />
        )}
        <Acts site={site} changes={changes} publish={publish} publishing={publishing} isReread={isReread} />
      </div>
    </ProofsProvider>
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
  const revision = useSelect(({ facts }) => facts.state.meta.revision);
  const reviewed = changes.data?.revision ?? revision;
  const { refetch } = changes;
  // What is said or mended in this view belongs to the same edition.
  useEffect(() => {
    if (revision > reviewed) void refetch();
  }, [revision, reviewed, refetch]);
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
                isReread={revision > reviewed}
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
