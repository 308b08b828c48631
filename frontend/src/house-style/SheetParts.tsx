import type { Part } from "../draft/facts";
import { useSite } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useTranslation } from "../i18n/useTranslation";
import { PageSelect } from "../pages";
import { MomentChoice } from "../proofs/MomentChoice";
import { SiteAddress } from "../sites";
import { FactRow } from "./FactRow";
import { useChangedIn } from "./Index";
import { FoldedPart, PartHead } from "./PartHead";
import { useSummary } from "./summary";
import { ADDRESS, type Parts } from "./useParts";
import type { ShownPage } from "./useShownPage";

interface PartProps {
  part: Part;
  readOnly: boolean;
  /** Whether the part has the title of the view. */
  first: boolean;
  onFold?: (() => void) | undefined;
  shown: ShownPage;
  /** How many rows are drawn, while the sheet is only coming. */
  most?: number | undefined;
}

/** The parts whose proofs may be looked at as on another moment. */
const DATED = new Set(["needed", "clock"]);

/** What a part's proofs are read at: the page, and with the dates, the moment. */
function ProofChoices({ part, first, shown }: Pick<PartProps, "part" | "first" | "shown">) {
  const { t } = useTranslation();
  return (
    <>
      {first && shown.count > 0 && (
        <PageSelect label={t("sheet.onPage")} value={shown.path} keyOf={(page) => page.path} onChoose={shown.choose} />
      )}
      {DATED.has(part.id) && <MomentChoice at={shown.at} onChoose={shown.chooseAt} />}
    </>
  );
}

export function OpenPart({ part, readOnly, first, onFold, shown, most }: PartProps) {
  const { t } = useTranslation();
  return (
    <section id={part.id} aria-labelledby={`${part.id}-title`} className="scroll-mt-28 lg:scroll-mt-16">
      <PartHead
        id={part.id}
        title={t(`band.${part.id}.title`)}
        lead={t(`band.${part.id}.lead`)}
        first={first}
        onFold={onFold}
      >
        {first && !readOnly && <UndoButtons />}
      </PartHead>
      <div className="grid border-b border-ink text-xs text-soft min-[900px]:grid-cols-[174px_minmax(300px,368px)_1fr]">
        <span className="px-6 py-1.5 max-[899px]:hidden">{t("sheet.fact")}</span>
        <span className="py-1.5 max-[899px]:hidden">{t("sheet.value")}</span>
        <span className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1 bg-board py-1.5 ps-4.5 pe-4 max-[899px]:ps-6">
          {t("sheet.places")}
          <ProofChoices part={part} first={first} shown={shown} />
        </span>
      </div>
      {part.rows.slice(0, most).map((row) => (
        <FactRow key={row.key} row={row} readOnly={readOnly} />
      ))}
    </section>
  );
}

export function Folded({ part, parts }: { part: Part; parts: Parts }) {
  const { t } = useTranslation();
  const changed = useChangedIn(part);
  const summary = useSummary(part);
  return (
    <FoldedPart
      id={part.id}
      title={t(`band.${part.id}.title`)}
      summary={summary}
      changed={changed}
      onOpen={() => parts.toggle(part.id)}
    />
  );
}

export function AddressPart({
  isOpen,
  isNarrow,
  onToggle,
}: {
  isOpen: boolean;
  isNarrow: boolean;
  onToggle: () => void;
}) {
  const { t } = useTranslation();
  const site = useSite();
  const title = t("siteAddress.title");
  if (!isOpen) return <FoldedPart id={ADDRESS} title={title} summary={site.host} changed={0} onOpen={onToggle} />;
  return (
    <section
      id={ADDRESS}
      aria-labelledby={`${ADDRESS}-title`}
      className="scroll-mt-28 border-b border-line lg:scroll-mt-16"
    >
      <PartHead
        id={ADDRESS}
        title={title}
        lead={t("siteAddress.lead")}
        first={isNarrow}
        onFold={isNarrow ? undefined : onToggle}
      />
      <SiteAddress />
    </section>
  );
}
