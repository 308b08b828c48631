import { useCallback, useEffect, useState } from "react";
import { ConflictChoice } from "../draft/ConflictChoice";
import { useSelect, useSite, useStore } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useUndoKeys } from "../draft/useUndoKeys";
import { useTranslation } from "../i18n/useTranslation";
import { PagesTabs, PagesView } from "../pages";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { SearchField } from "../ui/SearchField";
import { useSettled } from "../ui/useSettled";
import { ViewHead } from "../ui/ViewHead";
import { useRows, type Proposal, type Span, type Wanted } from "./api";
import { Grid } from "./Grid";
import type { Unread } from "./useGrid";
import { ProposalPanel } from "./ProposalPanel";
import { CsvLinks, FaultBar, ReplaceForm } from "./TitleTools";

/** Cells that somebody else changed meanwhile, with the choice between both. */
function Conflicts() {
  const keys = useSelect((store) => Object.keys(store.titles?.state.conflicts ?? {}).join(" "));
  return keys.split(" ").map((key) =>
    key ? (
      <div key={key} className="px-6 pb-2">
        <ConflictChoice document="titles" field={key} />
      </div>
    ) : null,
  );
}

const NOWHERE: Span = { first: 0, last: 0 };
const same = (one: Span, other: Span) => one.first === other.first && one.last === other.last;

/** Which rows have to be read: those in sight, those selected, and those that something was to be done with. */
function useSpans() {
  const [spans, setSpans] = useState({ shown: NOWHERE, selected: NOWHERE, unread: null as Unread | null });
  const onShown = useCallback((shown: Span, selected: Span) => {
    setSpans((before) =>
      same(before.shown, shown) && same(before.selected, selected) ? before : { ...before, shown, selected },
    );
  }, []);
  const onUnread = useCallback((unread: Unread | null) => setSpans((before) => ({ ...before, unread })), []);
  const { shown, selected, unread } = spans;
  return { spans: [shown, selected, ...(unread ? [unread] : [])], unread, onShown, onUnread };
}

/** Titles and descriptions of all pages in one table, edited as in a spreadsheet. */
export function TitlesView() {
  const { t } = useTranslation();
  const site = useSite();
  const store = useStore();
  const readOnly = !site.may.edit.allowed;
  const [proposal, setProposal] = useState<Proposal | null>(null);
  const [wrong, setWrong] = useState<Error | null>(null);
  const [replaces, setReplaces] = useState(false);
  const [sought, setSought] = useState("");
  const [fault, setFault] = useState<Wanted["fault"]>("");
  const open = useSelect((one) => one.titles !== undefined);
  const { spans, unread, onShown, onUnread } = useSpans();
  const rows = useRows(site.slug, { sought: useSettled(sought.trim(), 150), fault }, spans);
  const { count, pageAt, error: failed, refetch } = rows;
  // What was to be done with rows that were not there yet is done when they are.
  useEffect(() => {
    if (!unread) return;
    for (let row = unread.first; row <= unread.last; row += 1) if (pageAt(row) === undefined) return;
    onUnread(null);
    unread.again?.();
  }, [unread, pageAt, onUnread]);
  useUndoKeys(store, !readOnly);
  const tools = {
    readOnly,
    onProposal: (found: Proposal) => {
      setWrong(null);
      setProposal(found);
    },
    onFailed: setWrong,
  };
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper">
      <ViewHead title={t("view.pages")} lead={t("titles.lead")} />
      <PagesTabs other={PagesView} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-6 pb-3">
        <SearchField label={t("titles.findPage")} value={sought} onType={setSought} />
        {!readOnly && <UndoButtons />}
        <span className="ms-auto">
          {!readOnly && (
            <ActionLink expanded={replaces} onClick={() => setReplaces(!replaces)}>
              {t("titles.replace")}
            </ActionLink>
          )}
          <CsvLinks {...tools} />
        </span>
      </div>
      {replaces && <ReplaceForm {...tools} />}
      {(wrong ?? failed) && (
        <div className="px-6 pb-3">
          <ErrorNotice
            error={wrong ?? failed}
            actions={<ActionLink onClick={() => void refetch()}>{t("state.retry")}</ActionLink>}
          />
        </div>
      )}
      <FaultBar {...tools} chosen={fault} onChoose={setFault} />
      {proposal && <ProposalPanel proposal={proposal} onDone={() => setProposal(null)} />}
      {open && <Conflicts />}
      {!open && !failed && (
        <p role="status" className="px-6 py-4 text-soft">
          {t("state.loading")}
        </p>
      )}
      {unread && (
        <div className="px-6 pb-3">
          <Notice tone="warn" actions={<ActionLink onClick={() => onUnread(null)}>{t("titles.close")}</ActionLink>}>
            {t(unread.again ? "titles.reading" : "titles.unread")}
          </Notice>
        </div>
      )}
      {open && count === 0 && <p className="px-6 py-4 text-soft">{t("titles.none")}</p>}
      {open && count !== undefined && count > 0 && (
        <Grid rows={{ count, pageAt }} readOnly={readOnly} onShown={onShown} onUnread={onUnread} />
      )}
      {open && !readOnly && <p className="px-6 py-3 text-xs text-soft">{t("titles.keys")}</p>}
    </div>
  );
}
