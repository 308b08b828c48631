import { useTranslation } from "react-i18next";
import type { Key } from "./keeper";
import { useKeeper } from "./KeeperProvider";
import { useValueWords } from "./valueWords";

/** Somebody else changed the same fact: both values, and the person chooses. */
export function ConflictChoice({ fact }: { fact: Key }) {
  const { t } = useTranslation();
  const { keeper, state } = useKeeper();
  const words = useValueWords();
  const conflict = state.conflicts[fact];
  if (!conflict) return null;
  return (
    <div role="alert" className="mt-3 rounded-md bg-warn-soft p-3">
      <p className="mb-2 font-semibold">{t("conflict.title")}</p>
      {(["mine", "theirs"] as const).map((whose) => (
        <div key={whose} className="flex items-baseline justify-between gap-3 border-t border-line py-1.5">
          <span className="min-w-0">
            <span className="text-xs text-soft">{t(`conflict.${whose}`)}</span>
            <br />
            <b dir="auto" className="font-semibold break-words">
              {words(fact, conflict[whose]) || t("sheet.nothing")}
            </b>
          </span>
          <button type="button" className="act-link flex-none" onClick={() => keeper.settleConflict(fact, whose)}>
            {t(`conflict.keep.${whose}`)}
          </button>
        </div>
      ))}
    </div>
  );
}
