import { Fragment } from "react";
import { useTranslation } from "react-i18next";
import type { Proofs } from "../api/client";
import { keysOf, type RowPlan } from "./bands";
import { ConflictChoice } from "./ConflictChoice";
import { FactField } from "./FactField";
import { isChanged } from "./keeper";
import { useKeeper } from "./KeeperProvider";
import { Notes } from "./Notes";
import { RowProofs } from "./RowProofs";

interface Props {
  plan: RowPlan;
  proofs: Proofs | undefined;
  readOnly: boolean;
}

/** One fact: what it is, what it says, where it lands. */
export function Row({ plan, proofs, readOnly }: Props) {
  const { t } = useTranslation();
  const { state } = useKeeper();
  const changed = keysOf(plan).some((key) => isChanged(state, key));
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
        {keysOf(plan).map((key) => (
          <Fragment key={key}>
            <ConflictChoice fact={key} />
            <Notes fact={key} named={key !== plan.key} readOnly={readOnly} shortName={proofs?.short_name} />
          </Fragment>
        ))}
      </div>
      <div className="dotted flex min-h-24 flex-wrap content-start items-start gap-3.5 px-4.5 py-3.5 max-[899px]:ps-6">
        {proofs ? <RowProofs plan={plan} proofs={proofs} /> : <p className="text-soft">{t("state.loading")}</p>}
      </div>
    </div>
  );
}
