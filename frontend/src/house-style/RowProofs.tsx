import type { Proofs } from "../api/client";
import { findProof } from "../proofs/model";
import { ProofFigure } from "../proofs/ProofFigure";
import type { RowPlan } from "./bands";
import { MorePlaces } from "./MorePlaces";

/** The proofs of one fact: those that tell most about it, then how many more places there are. */
export function RowProofs({ plan, proofs }: { plan: RowPlan; proofs: Proofs }) {
  const reach = proofs.reach[plan.key] ?? [];
  const drawn = plan.proofs.flatMap(({ place, home, as }, index) => {
    const proof = findProof(proofs.proofs, place, home ?? false);
    // On the home page itself its own proof stands there already.
    const again = plan.proofs.slice(0, index).some((one) => one.place === place && one.as === as && home && proof?.path === proofs.path);
    return proof && !again ? [{ proof, home, as }] : [];
  });
  return (
    <>
      {drawn.map(({ proof, home, as }) => (
        <ProofFigure
          key={`${proof.place} ${proof.path} ${as ?? ""}`}
          proof={proof}
          fact={plan.key}
          as={as}
          mark={proofs.mark}
          themes={proofs.themes}
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
