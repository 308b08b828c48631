import { useId, useRef, useState } from "react";
import { useSelect, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { CheckBox } from "../ui/CheckBox";
import { askCsv, askMends, askReplace, type Proposal, type Wanted } from "./api";

interface Props {
  onProposal: (proposal: Proposal) => void;
  onFailed: (error: Error) => void;
  readOnly: boolean;
}

/** Finding words in all titles and putting others in their place. */
export function ReplaceForm({ onProposal, onFailed }: Props) {
  const { t } = useTranslation();
  const site = useSite();
  const id = useId();
  const [find, setFind] = useState("");
  const [by, setBy] = useState("");
  const [matchCase, setMatchCase] = useState(false);
  const fields = [
    ["find", find, setFind],
    ["by", by, setBy],
  ] as const;
  return (
    <form
      className="flex flex-wrap items-end gap-3 px-6 pb-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (find) askReplace(site.slug, { find, by, match_case: matchCase }).then(onProposal, onFailed);
      }}
    >
      {fields.map(([name, value, set]) => (
        <label key={name} htmlFor={`${id}-${name}`} className="grid gap-0.5">
          <span className="text-xs text-soft">{t(`titles.${name}`)}</span>
          <input
            id={`${id}-${name}`}
            dir="auto"
            autoFocus={name === "find"}
            value={value}
            className="w-56 rounded-md border border-soft bg-paper px-2.5 py-1.5"
            onChange={(event) => set(event.target.value)}
          />
        </label>
      ))}
      <CheckBox checked={matchCase} onChange={setMatchCase}>
        {t("titles.matchCase")}
      </CheckBox>
      <Button type="submit" variant="quiet" disabled={!find}>
        {t("titles.look")}
      </Button>
    </form>
  );
}

/** Taking the table out as CSV, and in again. */
export function CsvLinks({ onProposal, onFailed, readOnly }: Props) {
  const { t } = useTranslation();
  const site = useSite();
  const file = useRef<HTMLInputElement>(null);
  return (
    <>
      <a className="act-link me-3" href={`/api/sites/${site.slug}/titles.csv`} download>
        {t("titles.csvOut")}
      </a>
      {!readOnly && (
        <>
          <ActionLink onClick={() => file.current?.click()}>{t("titles.csvIn")}</ActionLink>
          <input
            ref={file}
            type="file"
            accept=".csv,text/csv,text/tab-separated-values"
            hidden
            aria-label={t("titles.csvIn")}
            onChange={(event) => {
              const chosen = event.target.files?.[0];
              event.target.value = "";
              if (chosen)
                chosen
                  .text()
                  .then((text) => askCsv(site.slug, text))
                  .then(onProposal, onFailed);
            }}
          />
        </>
      )}
    </>
  );
}

interface FaultProps extends Props {
  chosen: Wanted["fault"];
  onChoose: (kind: Wanted["fault"]) => void;
}

/** How far titles were looked over, while that is not all of them. */
function Looking() {
  const { t } = useTranslation();
  const count = useSelect(({ titles }) => (titles?.state.meta.isWhole === false ? titles.state.meta.lookedOver : null));
  if (count === null) return null;
  return <span className="px-1.5 py-1 text-soft">{t("titles.looking", { count })}</span>;
}

/** What is amiss, by kind: each shows its pages, and proposes its mends. */
export function FaultBar({ chosen, onChoose, onProposal, onFailed, readOnly }: FaultProps) {
  const { t } = useTranslation();
  const site = useSite();
  const faults = useSelect((store) => store.titles?.state.meta.faults);
  const isWhole = useSelect((store) => store.titles?.state.meta.isWhole);
  if (!faults) return null;
  if (faults.length === 0 && isWhole) return <p className="px-6 pb-3 text-soft">{t("titles.allWell")}</p>;
  return (
    <div role="group" aria-label={t("titles.faults")} className="flex flex-wrap gap-1.5 px-6 pb-3">
      {faults.map(({ kind, pages, mends }) => (
        <span
          key={kind}
          className="inline-flex items-center rounded-full border border-line has-aria-pressed:border-act"
        >
          <button
            type="button"
            aria-pressed={chosen === kind || undefined}
            className="rounded-full px-3 py-1 hover:bg-board aria-pressed:bg-act-soft"
            onClick={() => onChoose(chosen === kind ? "" : kind)}
          >
            {t(`fault.${kind}`)} · {pages}
          </button>
          {!readOnly && mends > 0 && (
            <button
              type="button"
              className="act-link px-3 py-1"
              onClick={() => void askMends(site.slug, { kind }).then(onProposal, onFailed)}
            >
              {t("titles.mend", { count: mends })}
              <span className="unseen"> {t(`fault.${kind}`)}</span>
            </button>
          )}
        </span>
      ))}
      <Looking />
    </div>
  );
}
