import type { ReactNode } from "react";
import type { Change } from "../api/client";
import { useProofs } from "../proofs/useProofs";
import { BANDS, keysOf } from "../sheet/bands";
import { RowProofs } from "../sheet/RowProofs";

const ROWS = new Map(BANDS.flatMap((band) => band.rows).flatMap((row) => keysOf(row).map((key) => [key as string, row])));
const AS_KEPT = {};

/** Draws, beside a changed fact, where its new words land: read back from the draft that would be published. */
export function useChangeProofs(site: string, revision: number): (change: Change) => ReactNode {
  const { proofs } = useProofs(site, "/", AS_KEPT, revision);
  return (change) => {
    const plan = change.kind === "fact" ? ROWS.get(change.key) : undefined;
    return plan && proofs && plan.proofs.length > 0 ? <RowProofs plan={plan} proofs={proofs} /> : null;
  };
}
