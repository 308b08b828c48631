import type { Proofs } from "../api/client";
import { findProof } from "../proofs/model";
import { ProofFigure } from "../proofs/ProofFigure";
import type { RowPlan } from "./bands";
import { MorePlaces } from "./MorePlaces";

/** The proofs of one fact: those that tell most about it, then how many more places there are. */
export function RowProofs({ plan, proofs }: { plan: RowPlan; proofs: Proofs }) {
  const reach = proofs.reach[plan.key] ?? [];
  const drawn = plan.proofs.flatMap(({ place, home }) => {
    const proof = findProof(proofs.proofs, place, home ?? false);
    return proof ? [{ proof, home }] : [];
  });
  return (
    <>
      {drawn.map(({ proof, home }) => (
        <ProofFigure
          key={proof.place + proof.path}
          proof={proof}
          fact={plan.key}
          mark={proofs.mark}
          reach={reach.find((one) => one.place === proof.place)}
          shows={Boolean(home)}
        />
      ))}
      <MorePlaces
        fact={plan.key}
        reach={reach.filter((one) => !drawn.some(({ proof }) => proof.place === one.place))}
        proofs={proofs}
        alone={drawn.length === 0}
      />
    </>
  );
}
