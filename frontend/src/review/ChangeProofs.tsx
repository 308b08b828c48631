import { useRef } from "react";
import { useTranslation } from "react-i18next";
import type { Change } from "../api/client";
import { ROW_OF } from "../draft/facts";
import { FactProofs } from "../proofs/FactProofs";
import { ProofsProvider, useInView } from "../proofs/ProofsProvider";
import type { Row } from "../draft/facts";

function Drawn({ row }: { row: Row }) {
  const element = useRef<HTMLDivElement>(null);
  useInView(row, element);
  return (
    <div ref={element} className="dotted flex flex-wrap items-start gap-3.5 rounded-md p-3.5">
      <FactProofs row={row} />
    </div>
  );
}

interface Props {
  change: Change;
  site: string;
  /** The edition that visitors see now; 0 before the first. */
  live: number;
}

/** Draws, beside a changed fact, where it is seen: now, and as it will be, both read back from rendered pages. */
export function ChangeProofs({ change, site, live }: Props) {
  const { t } = useTranslation();
  const row = change.kind === "fact" ? ROW_OF.get(change.key) : undefined;
  if (!row?.slots.length) return null;
  return (
    <div className="grid content-start gap-3 max-lg:col-span-full xl:grid-cols-2">
      {live > 0 && (
        <div role="group" aria-label={t("review.proofsNow")}>
          <h3 className="mb-1 text-xs font-semibold text-soft">{t("review.proofsNow")}</h3>
          <ProofsProvider site={site} path="/" at="" edition={live}>
            <Drawn row={row} />
          </ProofsProvider>
        </div>
      )}
      <div role="group" aria-label={t("review.proofsThen")}>
        {live > 0 && <h3 className="mb-1 text-xs font-semibold text-soft">{t("review.proofsThen")}</h3>}
        <Drawn row={row} />
      </div>
    </div>
  );
}
