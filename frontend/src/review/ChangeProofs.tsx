import { useMemo } from "react";
import type { Change } from "../api/client";
import { ROW_OF, type Row } from "../draft/facts";
import { useTranslation } from "../i18n/useTranslation";
import { differsAt } from "../proofs/model";
import { ProofsProvider, useProofs } from "../proofs/ProofsProvider";
import { slotKey } from "../proofs/reader";
import { SideProofs } from "../proofs/SideProofs";

/** A row with those places first in which the difference is seen soonest: else two drawings may look the same. */
function useOrdered(row: Row | undefined, { old, new: said }: Change): Row | undefined {
  const order = useProofs(({ proofs, path }) =>
    (row?.slots ?? [])
      .map((slot, index) => ({ index, at: differsAt(proofs[slotKey(slot, path)], row?.key ?? "", old, said) }))
      .sort((one, other) => (one.at === other.at ? one.index - other.index : one.at - other.at))
      .map(({ index }) => index)
      .join(" "),
  );
  return useMemo(
    () => row && { ...row, slots: order.split(" ").flatMap((index) => row.slots[Number(index)] ?? []) },
    [row, order],
  );
}

interface Props {
  change: Change;
  site: string;
  /** The page whose proofs are shown. */
  path: string;
  /** The edition that visitors see now. */
  live: number;
}

/** Draws, beside a changed fact, where it is seen: now, and as it will be, both read back from rendered pages. */
export function ChangeProofs({ change, site, path, live }: Props) {
  const { t } = useTranslation();
  const row = useOrdered(change.kind === "fact" ? ROW_OF.get(change.key) : undefined, change);
  if (!row?.slots.length) return null;
  return (
    <div className="grid content-start gap-3 max-lg:col-span-full xl:grid-cols-2">
      <ProofsProvider site={site} path={path} at="" edition={live}>
        <SideProofs title={t("review.proofsNow")} row={row} />
      </ProofsProvider>
      <SideProofs title={t("review.proofsThen")} row={row} />
    </div>
  );
}
