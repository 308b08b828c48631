import { useTranslation } from "react-i18next";
import type { Proofs } from "../api/client";
import { findProof } from "../proofs/model";
import { ProofFigure } from "../proofs/ProofFigure";
import type { RowPlan } from "./bands";
import { ConflictChoice } from "./ConflictChoice";
import { FactField } from "./FactField";
import { isChanged } from "./keeper";
import { useKeeper } from "./KeeperProvider";
import { MorePlaces } from "./MorePlaces";
import { Notes } from "./Notes";

interface Props {
  plan: RowPlan;
  proofs: Proofs | undefined;
  readOnly: boolean;
}

function RowProofs({ plan, proofs }: { plan: RowPlan; proofs: Proofs }) {
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
      <MorePlaces reach={reach.filter((one) => !drawn.some(({ proof }) => proof.place === one.place))} alone={drawn.length === 0} />
    </>
  );
}

/** One fact: what it is, what it says, where it lands. */
export function Row({ plan, proofs, readOnly }: Props) {
  const { t } = useTranslation();
  const { state } = useKeeper();
  const changed = isChanged(state, plan.key);
  return (
    <div
      role="group"
      aria-labelledby={`fact-${plan.key}`}
      className="relative grid border-b border-line min-[900px]:grid-cols-[174px_minmax(300px,392px)_1fr]"
    >
      {changed && <i aria-hidden className="absolute inset-y-0 start-0 w-1.5 bg-mark" />}
      <div className="py-4 ps-6 pe-3 max-[899px]:pb-1">
        <h2 id={`fact-${plan.key}`} className="text-[15px] font-semibold">
          {t(`fact.${plan.key}.name`)}
        </h2>
        <p id={`why-${plan.key}`} className="mt-0.5 text-xs text-soft">
          {t(`fact.${plan.key}.why`)}
        </p>
      </div>
      <div className="min-w-0 py-3.5 pe-6.5 pb-4 max-[899px]:ps-6 max-[899px]:pt-1">
        <FactField plan={plan} readOnly={readOnly} />
        <ConflictChoice fact={plan.key} />
        <Notes fact={plan.key} readOnly={readOnly} shortName={proofs?.short_name} />
      </div>
      <div className="dotted flex min-h-24 flex-wrap items-start gap-3.5 px-4.5 py-3.5 max-[899px]:ps-6">
        {proofs ? <RowProofs plan={plan} proofs={proofs} /> : <p className="text-soft">{t("state.loading")}</p>}
      </div>
    </div>
  );
}
