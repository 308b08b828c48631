import { useStore } from "../draft/hooks";
import { cellKey, knowing } from "../draft/titles";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import type { Proposal } from "./api";

const SHOWN = 8;

interface Props {
  proposal: Proposal;
  onDone: () => void;
}

/** What would change at once, to be looked at; taking it is one step to undo. */
export function ProposalPanel({ proposal, onDone }: Props) {
  const { t } = useTranslation();
  const store = useStore();
  const titles = store.titles;
  const { cells, errors } = proposal;
  const pages = new Set(cells.map((cell) => cell.page)).size;
  return (
    <div
      className="mx-6 mb-3 rounded-lg border border-line bg-ground p-4"
      role="region"
      aria-label={t("titles.proposal")}
    >
      <p className="font-semibold" role="status">
        {cells.length ? t("titles.proposed", { count: cells.length, pages }) : t("titles.nothing")}
      </p>
      {errors.length > 0 && (
        <ul className="mt-2 grid gap-1 text-warn">
          {errors.map((error, index) => (
            <li key={index}>▲ {error.message}</li>
          ))}
        </ul>
      )}
      <ul className="mt-2 grid gap-1.5">
        {cells.slice(0, SHOWN).map((cell) => {
          return (
            <li key={`${String(cell.page)} ${cell.field}`} className="break-words">
              <span className="font-code text-xs text-soft">{cell.path}</span>{" "}
              <span className="text-xs text-soft">{t(`titles.column.${cell.field}`)}</span>
              <br />
              <s dir="auto" className="text-soft">
                {cell.was || "–"}
              </s>{" "}
              <span aria-hidden>→</span>{" "}
              <b dir="auto" className="font-semibold">
                {cell.value || t(`titles.unset.${cell.field}`)}
              </b>
            </li>
          );
        })}
      </ul>
      {cells.length > SHOWN && (
        <p className="mt-1.5 text-soft">{t("titles.andMore", { count: cells.length - SHOWN })}</p>
      )}
      {proposal.left > 0 && <p className="mt-1.5 text-soft">{t("titles.left", { count: proposal.left })}</p>}
      <p className="mt-3 flex flex-wrap gap-2">
        {cells.length > 0 && (
          <Button
            autoFocus
            onClick={() => {
              const values = cells.map((cell) => [cellKey(cell.page, cell.field), cell.value] as const);
              if (titles) store.openTitles({ ...knowing(titles.state.meta, cells), revision: titles.revision });
              store.choose("titles", Object.fromEntries(values));
              onDone();
            }}
          >
            {t("titles.take", { count: cells.length })}
          </Button>
        )}
        <Button variant="quiet" onClick={onDone}>
          {cells.length ? t("titles.leave") : t("titles.close")}
        </Button>
      </p>
    </div>
  );
}
