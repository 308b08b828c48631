import { useState } from "react";
import { ConflictChoice } from "../draft/ConflictChoice";
import { useSelect, useSite, useStore } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useUndoKeys } from "../draft/useUndoKeys";
import { useTranslation } from "../i18n/useTranslation";
import { PagesTabs, PagesView } from "../pages";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { SearchField } from "../ui/SearchField";
import { ViewHead } from "../ui/ViewHead";
import { useTable, type Proposal } from "./api";
import { Grid } from "./Grid";
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

function useShown(sought: string, fault: string): readonly number[] {
  const words = sought.trim().toLowerCase();
  return useSelect((store) => {
    const table = store.titles?.state.meta;
    if (!table) return [];
    return table.order.filter((id) => {
      const row = table.rows[id];
      if (!row || (fault && !row.faults.some(({ kind }) => kind === fault))) return false;
      return !words || `${row.path}\n${row.shown_title}\n${row.summary}`.toLowerCase().includes(words);
    });
  });
}

/** Titles and descriptions of all pages in one table, edited as in a spreadsheet. */
export function TitlesView() {
  const { t } = useTranslation();
  const site = useSite();
  const store = useStore();
  const readOnly = !site.may.edit.allowed;
  const { error: failed, refetch } = useTable(site.slug);
  const [proposal, setProposal] = useState<Proposal | null>(null);
  const [wrong, setWrong] = useState<Error | null>(null);
  const [replaces, setReplaces] = useState(false);
  const [sought, setSought] = useState("");
  const [fault, setFault] = useState("");
  const open = useSelect((one) => one.titles !== undefined);
  const shown = useShown(sought, fault);
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
      {open && shown.length === 0 && <p className="px-6 py-4 text-soft">{t("titles.none")}</p>}
      {open && shown.length > 0 && <Grid pages={shown} readOnly={readOnly} />}
      {open && !readOnly && <p className="px-6 py-3 text-xs text-soft">{t("titles.keys")}</p>}
    </div>
  );
}
