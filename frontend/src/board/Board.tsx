import { Link } from "react-router";
import { DRAWN } from "../api/lists.gen";
import { ROW_OF } from "../draft/facts";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { pieces, showsFact } from "../proofs/model";
import { ProofFigure } from "../proofs/ProofFigure";
import { useMorePlaces, useProofs } from "../proofs/ProofsProvider";
import { proofKey } from "../proofs/reader";
import type { Proof } from "../api/client";
import { Notice } from "../ui/Notice";
import { SLOTS, type BoardSlot } from "./slots";

/** The facts whose words a place shows. */
function feeding(proof: Proof): string[] {
  const found = proof.lines.flatMap((line) => line.highlights.map((one) => one.fact));
  return [...new Set(found)].filter((fact) => proof.lines.some((line) => pieces(line, fact).some((one) => one.lit)));
}

function FedBy({ proof }: { proof: Proof }) {
  const { t } = useTranslation();
  const site = useSite();
  const facts = feeding(proof);
  if (!facts.length) return null;
  return (
    <p data-print="no" className="mt-0.5 max-w-56 text-[11.5px] text-soft print:hidden">
      {t("board.fedBy")}{" "}
      {facts.map((fact, at) => (
        <span key={fact}>
          {at > 0 && ", "}
          <Link
            to={`/${site.slug}/style#fact-${ROW_OF.get(fact)?.key ?? fact}`}
            className="underline underline-offset-2"
          >
            {t(`factName.${fact}`)}
          </Link>
        </span>
      ))}
    </p>
  );
}

interface Props {
  fact: string;
  /** Also what no page shows yet, as it would look. */
  withSamples?: boolean;
}

function Slot({ slot, fact, withSamples }: Props & { slot: BoardSlot }) {
  const key = useProofs((state) => {
    const own = proofKey(slot.place, state.path);
    return state.proofs[own] ? own : proofKey(slot.place, "");
  });
  const proof = useProofs((state) => state.proofs[key]);
  const reach = useProofs((state) => state.reach[fact]?.places.find((one) => one.place === slot.place));
  if (!proof || (proof.lines.length === 0 && proof.pictures.length === 0)) return null;
  if (proof.is_sample && !withSamples) return null;
  const dims = fact !== "" && !showsFact(proof, fact) && !reach;
  return (
    <div className={`break-inside-avoid transition-opacity duration-100 ${dims ? "opacity-35" : ""}`}>
      <ProofFigure at={key} fact={dims ? "" : fact} variant={slot.variant} reach={reach} shows />
      <FedBy proof={proof} />
    </div>
  );
}

/** All places at once; a chosen fact lights those that carry it and dims the rest. */
export function Board({ fact, withSamples = true }: Props) {
  const { t } = useTranslation();
  useMorePlaces("board", [...DRAWN], true, fact ? [fact] : []);
  const isLost = useProofs((state) => state.lost);
  const isThere = useProofs((state) => Object.keys(state.proofs).length > 0);
  if (isLost && !isThere) return <Notice tone="stop">{t("state.notFetched")}</Notice>;
  if (!isThere)
    return (
      <p role="status" className="text-soft">
        {t("state.loading")}
      </p>
    );
  return (
    <div className="flex flex-wrap items-start gap-x-5 gap-y-6">
      {SLOTS.map((slot) => (
        <Slot key={`${slot.place} ${slot.variant ?? ""}`} slot={slot} fact={fact} withSamples={withSamples} />
      ))}
    </div>
  );
}
