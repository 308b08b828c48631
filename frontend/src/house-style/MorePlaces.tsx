import { useState } from "react";
import { useTranslation } from "react-i18next";
import type { Proofs } from "../api/client";
import { findProof, showsFact, type PlaceReach } from "../proofs/model";
import { ProofFigure } from "../proofs/ProofFigure";
import { useReachWords } from "../proofs/reachWords";
import type { Key } from "./keeper";

interface Props {
  fact: Key;
  reach: PlaceReach[];
  proofs: Proofs;
  alone: boolean;
}

/** The places of a fact that its row has no room to draw: drawn when asked for, or named with their reach. */
export function MorePlaces({ fact, reach, proofs, alone }: Props) {
  const { t } = useTranslation();
  const words = useReachWords();
  const [open, setOpen] = useState(false);
  if (!reach.length) return null;
  const drawn = reach.flatMap((one) => {
    const proof = findProof(proofs.proofs, one.place, false);
    return proof && showsFact(proof, fact) ? [{ one, proof }] : [];
  });
  const named = reach.filter((one) => !drawn.some((other) => other.one === one));
  return (
    <>
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="rounded-sm pt-1 text-start text-xs leading-snug text-soft hover:text-ink"
      >
        {t(alone ? "proof.placesOnly" : "proof.more")}
        <br />
        <b className="font-semibold text-ink underline decoration-line underline-offset-3">
          {t(alone ? "proof.places" : "proof.morePlaces", { count: reach.length })}
        </b>
      </button>
      {open && (
        <div className="flex basis-full flex-wrap items-start gap-3.5">
          {drawn.map(({ one, proof }) => (
            <ProofFigure key={one.place} proof={proof} fact={fact} mark={proofs.mark} themes={proofs.themes} reach={one} shows />
          ))}
          {named.length > 0 && (
            <ul className="text-xs text-soft">
              {named.map((one) => (
                <li key={one.place}>
                  <b className="font-semibold text-ink">{t(`place.${one.place}`)}</b> · {words(one)}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </>
  );
}
