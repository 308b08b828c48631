import { useState } from "react";
import type { TFunction } from "i18next";
import { Link } from "react-router";
import { UndoButtons } from "../draft/UndoButtons";
import { useSite } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { ViewHead } from "../ui/ViewHead";
import { Select } from "../ui/Select";
import { MeantList } from "./MeantList";
import { StrayRow } from "./StrayRow";
import { useEditionSweep, useMend, useSweep, useSweeping, type Stray, type Sweep, type Sweeping } from "./api";

const SHOWN = 50;
const MOST_EDITIONS = 200;

/** The newest editions, for a list of choices. */
function editions(newest: number, t: TFunction): [string, string][] {
  return Array.from({ length: Math.min(newest, MOST_EDITIONS) }, (_, at) => [
    String(newest - at),
    t("editions.number", { number: newest - at }),
  ]);
}

/** How far a sweep is; it can be stopped, and goes on where it was. */
function Looking({ sweeping }: { sweeping: Sweeping }) {
  const { t } = useTranslation();
  const { progress, isStopped } = sweeping;
  if (sweeping.error) {
    return (
      <div className="px-6 py-3">
        <ErrorNotice
          error={sweeping.error}
          lost={t("state.notFetched")}
          actions={
            <Button variant="quiet" onClick={sweeping.again}>
              {t("state.again")}
            </Button>
          }
        />
      </div>
    );
  }
  if (!progress && !isStopped) {
    return (
      <p role="status" className="px-6 py-3 text-soft">
        {t("consistency.looking")}
      </p>
    );
  }
  if (!progress || progress.done >= progress.total) return null;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-6 py-3">
      <progress
        className="h-2 w-48 accent-act"
        max={progress.total}
        value={progress.done}
        aria-label={t("consistency.looking")}
      />
      <span role="status">{t("consistency.progress", { done: progress.done, total: progress.total })}</span>
      <ActionLink onClick={isStopped ? sweeping.goOn : sweeping.stop}>
        {t(isStopped ? "consistency.goOn" : "consistency.stop")}
      </ActionLink>
    </div>
  );
}

function Summary({ sweep }: { sweep: Sweep }) {
  const { t } = useTranslation();
  const format = useFormat();
  const wholeSite = sweep.strays.some((stray) => stray.page_id === null && stray.kind !== "fact_unset");
  const straying = new Set(sweep.strays.flatMap((stray) => (stray.page_id ? [stray.page_id] : []))).size;
  // What a fact says stands on every page.
  const agree = wholeSite ? 0 : sweep.pages - straying;
  return (
    <div className="px-6 py-4">
      <p className="font-display text-[19px] font-semibold">
        {agree === sweep.pages && !wholeSite
          ? t("consistency.allAgree", { count: sweep.pages })
          : t("consistency.agree", { agree, count: sweep.pages })}
      </p>
      <p className="mt-0.5 text-soft">{t("consistency.looked", { at: format.instant(sweep.checked_at) })}</p>
    </div>
  );
}

interface GroupProps {
  kind: Sweep["kinds"][number];
  strays: Stray[];
  edits: boolean;
  isBusy: boolean;
  chosen: ReadonlySet<string>;
  onChoose: (ids: string[], chosen: boolean) => void;
  onMend: (strays: { id: string; reading?: number }[]) => void;
}

function Group({ kind, strays, edits, isBusy, chosen, onChoose, onMend }: GroupProps) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  const mended = strays.filter((stray) => stray.mend && !stray.asks);
  const shown = all ? strays : strays.slice(0, SHOWN);
  return (
    <section aria-label={kind.name} className="border-t border-line">
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2 px-6 pt-4 pb-2.5">
        <div className="min-w-60 flex-1">
          <h2 className="text-[15.5px] font-semibold">
            {kind.name} <span className="font-normal text-soft">{strays.length}</span>
          </h2>
          <p className="text-soft">{kind.why}</p>
        </div>
        {edits && mended.length > 1 && (
          <Button variant="quiet" disabled={isBusy} onClick={() => onMend(mended.map(({ id }) => ({ id })))}>
            {t("consistency.mendAll", { count: mended.length })}
          </Button>
        )}
      </div>
      <ul>
        {shown.map((stray) => (
          <StrayRow
            key={stray.id}
            stray={stray}
            edits={edits}
            isBusy={isBusy}
            isChosen={chosen.has(stray.id)}
            onChoose={(is) => onChoose([stray.id], is)}
            onMend={(reading) => onMend([reading === undefined ? { id: stray.id } : { id: stray.id, reading }])}
          />
        ))}
      </ul>
      {shown.length < strays.length && (
        <p className="border-t border-line px-6 py-3">
          <ActionLink onClick={() => setAll(true)}>{t("consistency.showAll", { count: strays.length })}</ActionLink>
        </p>
      )}
    </section>
  );
}

function Strays({ sweep }: { sweep: Sweep }) {
  const { t } = useTranslation();
  const site = useSite();
  const mend = useMend(site.slug);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const edits = site.may.edit.allowed;
  const there = sweep.strays.filter((stray) => chosen.has(stray.id));
  const choose = (ids: string[], is: boolean) =>
    setChosen((before) => new Set(is ? [...before, ...ids] : [...before].filter((id) => !ids.includes(id))));
  const go = (strays: { id: string; reading?: number }[]) => mend.mutate({ revision: sweep.revision, strays });
  return (
    <>
      {(mend.data ?? mend.error) && (
        <div className="px-6 pb-3">
          {mend.isSuccess && <Notice tone="act">{t("consistency.mended", { count: mend.data.mended })}</Notice>}
          <ErrorNotice error={mend.error} />
        </div>
      )}
      {there.length > 0 && (
        <div className="sticky top-0 z-10 flex flex-wrap items-center gap-4 border-t border-line bg-paper px-6 py-2.5">
          <Button disabled={mend.isPending} onClick={() => go(there.map(({ id }) => ({ id })))}>
            {t("consistency.mendChosen", { count: there.length })}
          </Button>
          <ActionLink onClick={() => setChosen(new Set())}>{t("consistency.chooseNone")}</ActionLink>
        </div>
      )}
      {sweep.kinds.map((kind) => {
        const strays = sweep.strays.filter((stray) => stray.kind === kind.kind);
        if (strays.length === 0) return null;
        return (
          <Group
            key={kind.kind}
            kind={kind}
            strays={strays}
            edits={edits}
            isBusy={mend.isPending}
            chosen={chosen}
            onChoose={choose}
            onMend={go}
          />
        );
      })}
      <MeantList sweep={sweep} edits={edits} />
    </>
  );
}

/** What a published edition said otherwise than its own house style: looked at, and mended in the draft alone. */
function OfEdition({ edition }: { edition: number }) {
  const site = useSite();
  return (
    <QueryBoundary query={useEditionSweep(site.slug, edition)}>
      {(found) => (
        <>
          <Summary sweep={found} />
          {found.kinds.map((kind) => {
            const strays = found.strays.filter((stray) => stray.kind === kind.kind);
            return strays.length ? <Group key={kind.kind} kind={kind} strays={strays} {...ONLY_LOOKED_AT} /> : null;
          })}
        </>
      )}
    </QueryBoundary>
  );
}

const ONLY_LOOKED_AT = {
  edits: false,
  isBusy: false,
  chosen: new Set<string>(),
  onChoose: () => undefined,
  onMend: () => undefined,
};

/** What the pages of the draft say otherwise than the house style, grouped by cause, each with its mend. */
export function ConsistencyView() {
  const { t } = useTranslation();
  const site = useSite();
  const [edition, setEdition] = useState<number | null>(null);
  const sweeping = useSweeping(site.slug);
  const sweep = useSweep(site.slug, sweeping.done);
  const waits = sweep.data === undefined && (sweeping.error !== null || sweeping.isStopped || sweeping.done === 0);
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper pb-8">
      <div className="flex flex-wrap items-center pe-6">
        <ViewHead title={t("view.consistency")} lead={t("consistency.lead")} />
        <div className="ms-auto flex flex-wrap items-center gap-x-4 max-sm:ms-6 max-sm:pb-2">
          {site.may.edit.allowed && <UndoButtons />}
          {site.live_number > 0 && (
            <Select
              label={t("consistency.of")}
              value={edition === null ? "" : String(edition)}
              onChoose={(chosen) => setEdition(chosen ? Number(chosen) : null)}
              options={[["", t("consistency.draft")], ...editions(site.live_number, t)]}
            />
          )}
        </div>
      </div>
      {edition === null ? <Looking sweeping={sweeping} /> : <OfEdition edition={edition} />}
      {edition === null && !waits && (
        <QueryBoundary query={sweep}>
          {(found) => (
            <>
              <Summary sweep={found} />
              <Strays sweep={found} />
            </>
          )}
        </QueryBoundary>
      )}
      <p className="border-t border-line px-6 py-4">
        <Link to={`/${site.slug}/consistency/other-pages`} className="act-link">
          {t("others.link")}
        </Link>
      </p>
    </div>
  );
}
