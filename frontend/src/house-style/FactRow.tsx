import { memo, useRef } from "react";
import { isChanged } from "../draft/changes";
import type { Row } from "../draft/facts";
import { useSelect } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { FactProofs } from "../proofs/FactProofs";
import { useInView } from "../proofs/ProofsProvider";
import { later } from "../ui/later";
import { FactField } from "./FactField";
import { Notes } from "./Notes";

const DefaultNote = later(async () => (await import("../contact")).DefaultNote);

function ChangedBar({ row }: { row: Row }) {
  const changed = useSelect(({ facts }) => row.keys.some((key) => isChanged(facts, key)));
  return changed ? <i aria-hidden className="absolute inset-y-0 start-0 w-1.5 bg-mark" /> : null;
}

interface Props {
  row: Row;
  readOnly: boolean;
}

/** One fact: what it is, what it says, where it lands. Its parts follow the draft by themselves. */
export const FactRow = memo(function FactRow({ row, readOnly }: Props) {
  const { t } = useTranslation();
  const element = useRef<HTMLDivElement>(null);
  useInView(row, element);
  return (
    <div
      ref={element}
      role="group"
      aria-labelledby={`fact-${row.key}`}
      className="relative grid border-b border-line min-[900px]:grid-cols-[174px_minmax(300px,368px)_1fr]"
    >
      <ChangedBar row={row} />
      <div className="py-4 ps-6 pe-3 max-[899px]:pb-1">
        <h2 id={`fact-${row.key}`} className="text-[15px] font-semibold">
          {t(`factName.${row.key}`)}
        </h2>
        <p id={`why-${row.key}`} className="mt-0.5 text-xs text-soft">
          {t(`fact.${row.key}.why`)}
        </p>
      </div>
      <div data-value className="min-w-0 py-3.5 pe-6.5 pb-4 max-[899px]:ps-6 max-[899px]:pt-1">
        <FactField row={row} readOnly={readOnly} />
        {row.keys.map((key) => (
          <Notes key={key} fact={key} named={key !== row.key} readOnly={readOnly} />
        ))}
        {row.common && <DefaultNote fact={row.key} readOnly={readOnly} />}
      </div>
      <div data-proofs className="dotted px-4.5 py-3.5 max-[899px]:ps-6">
        {/* Beside a long field, such as the icon maker, its proofs stay in view. */}
        <div className="flex flex-wrap items-start gap-x-3 gap-y-2.5 min-[900px]:sticky min-[900px]:top-18">
          <FactProofs row={row} />
        </div>
      </div>
    </div>
  );
});
