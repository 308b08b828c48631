import { memo, useState } from "react";
import { useTranslation } from "../i18n/useTranslation";
import { Drawing } from "./drawings";
import type { PlaceReach, Variant } from "./model";
import { useProofs } from "./ProofsProvider";
import { useReachWords } from "./reachWords";

interface Props {
  /** Which proof (`proofKey`). */
  at: string;
  fact: string;
  variant?: Variant | undefined;
  reach: PlaceReach | undefined;
  shows: boolean;
}

function Figure({ at, fact, variant, reach, shows }: Props) {
  const { t } = useTranslation();
  const words = useReachWords();
  const [open, setOpen] = useState(false);
  const proof = useProofs((state) => state.proofs[at]);
  const iconUrl = useProofs((state) => state.iconUrl);
  const themes = useProofs((state) => state.themes);
  const direction = useProofs((state) => state.direction);
  if (!proof) return <p className="text-soft">{t("state.loading")}</p>;
  const label = variant ? t(`variant.${proof.place}.${variant}`) : t(`place.${proof.place}`);
  const far = proof.is_sample ? t("proof.sample") : reach ? words(reach) : shows ? "" : t("proof.notHere");
  const drawing = { proof, fact, variant, iconUrl, themes };
  const caption = (
    <figcaption className={`mt-1.5 text-soft ${open ? "" : "max-w-[224px] text-[11.5px]"}`}>
      <b className="font-semibold text-ink">{label}</b>
      {open && proof.path && !proof.is_sample && (
        <span className="ms-2 font-code text-xs">{proof.read_on || proof.path}</span>
      )}
      {far && <span> · {far}</span>}
    </figcaption>
  );
  return (
    <figure className={`m-0 max-w-full ${open ? "w-full basis-full" : ""}`}>
      <button
        type="button"
        aria-expanded={open}
        className={`block max-w-full rounded-sm text-start ${open ? "w-full max-w-[44rem]" : ""}`}
        onClick={() => setOpen(!open)}
      >
        <span className="unseen">{t(open ? "proof.shrink" : "proof.enlarge", { place: label })}</span>
        {/* A page looks the same whatever the desk speaks. */}
        <span dir={direction} className="block w-fit max-w-full data-large:w-full" data-large={open || undefined}>
          <Drawing {...drawing} large={open} />
        </span>
      </button>
      {caption}
    </figure>
  );
}

/** One proof with its label and reach. A click opens it large where it stands, and another closes it. */
export const ProofFigure = memo(Figure);
