import { useState } from "react";
import { DRAWN, type DrawnPlace } from "../api/lists.gen";
import { useTranslation } from "../i18n/useTranslation";
import { showsFact, type PlaceReach } from "./model";
import { ProofFigure } from "./ProofFigure";
import { useMorePlaces, useProofs } from "./ProofsProvider";
import { useReachWords } from "./reachWords";
import type { ReaderState } from "./reader";

interface Props {
  fact: string;
  reach: PlaceReach[];
  alone: boolean;
}

function isDrawn(place: string): place is DrawnPlace {
  return (DRAWN as readonly string[]).includes(place);
}

/** The proofs of some places that show a fact, by place. */
function keysOf(state: ReaderState, fact: string, reach: PlaceReach[]): string {
  const found = Object.entries(state.proofs).filter(
    ([, proof]) =>
      (proof.path === state.path || proof.path === "") &&
      reach.some((one) => one.place === proof.place) &&
      showsFact(proof, fact),
  );
  return found.map(([key]) => key).join("\n");
}

/** The places of a fact that its row has no room to draw: drawn when asked for, or named with their reach. */
export function MorePlaces({ fact, reach, alone }: Props) {
  const { t } = useTranslation();
  const words = useReachWords();
  const [open, setOpen] = useState(false);
  useMorePlaces(fact, reach.map((one) => one.place).filter(isDrawn), open);
  const keys = useProofs((state) => (open ? keysOf(state, fact, reach) : ""));
  if (!reach.length) return null;
  const drawn = keys.split("\n").filter(Boolean);
  const named = reach.filter((one) => !drawn.some((key) => key.startsWith(`${one.place} `)));
  return (
    <>
      {/* It stands on its own ground: what a drawing beside it cuts off counts as lying below it where contrast is measured. */}
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="relative rounded-sm bg-board pt-1 text-start text-xs leading-snug text-soft hover:text-ink"
      >
        {t(alone ? "proof.placesOnly" : "proof.more")}
        <br />
        <b className="font-semibold text-ink underline decoration-line underline-offset-3">
          {t(alone ? "proof.places" : "proof.morePlaces", { count: reach.length })}
        </b>
      </button>
      {open && (
        <div className="flex basis-full flex-wrap items-start gap-3.5">
          {drawn.map((key) => (
            <ProofFigure
              key={key}
              at={key}
              fact={fact}
              reach={reach.find((one) => key.startsWith(`${one.place} `))}
              shows
            />
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
