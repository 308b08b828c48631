import { useTranslation } from "react-i18next";
import type { PlaceReach } from "../proofs/model";
import { useReachWords } from "../proofs/reachWords";

/** The places of a fact that a row has no room to draw, each with its reach. */
export function MorePlaces({ reach, alone }: { reach: PlaceReach[]; alone: boolean }) {
  const { t } = useTranslation();
  const words = useReachWords();
  if (!reach.length) return null;
  return (
    <details className="pt-1 text-xs text-soft">
      <summary className="rounded-sm">
        {t(alone ? "proof.placesOnly" : "proof.more")}{" "}
        <b className="font-semibold text-ink">{t(alone ? "proof.places" : "proof.morePlaces", { count: reach.length })}</b>
      </summary>
      <ul className="mt-1">
        {reach.map((one) => (
          <li key={one.place}>
            {t(`place.${one.place}`)} · {words(one)}
          </li>
        ))}
      </ul>
    </details>
  );
}
