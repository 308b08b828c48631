import { Dialog } from "radix-ui";
import { memo } from "react";
import { useTranslation } from "react-i18next";
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
  const proof = useProofs((state) => state.proofs[at]);
  const iconUrl = useProofs((state) => state.iconUrl);
  const themes = useProofs((state) => state.themes);
  if (!proof) return <p className="text-soft">{t("state.loading")}</p>;
  const label = variant ? t(`variant.${proof.place}.${variant}`) : t(`place.${proof.place}`);
  const far = reach ? words(reach) : shows ? "" : t("proof.notHere");
  const drawing = { proof, fact, variant, iconUrl, themes };
  return (
    <Dialog.Root>
      <figure className="m-0 max-w-full">
        <Dialog.Trigger className="block max-w-full rounded-sm text-start">
          <span className="unseen">{t("proof.enlarge", { place: label })}</span>
          <Drawing {...drawing} large={false} />
        </Dialog.Trigger>
        <figcaption className="mt-1.5 max-w-[248px] text-[11.5px] text-soft">
          <b className="font-semibold text-ink">{label}</b>
          {far && <span> · {far}</span>}
        </figcaption>
      </figure>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="dotted fixed top-1/2 left-1/2 z-50 max-h-[90vh] w-[44rem] max-w-[94vw] -translate-1/2 overflow-auto rounded-lg p-6 shadow-xl sm:p-8"
        >
          <div className="mb-5 flex items-baseline justify-between gap-4">
            <Dialog.Title className="text-lg font-semibold">
              {label} {proof.path && <span className="ms-2 font-code text-xs font-normal text-soft">{proof.path}</span>}
            </Dialog.Title>
            <Dialog.Close className="act-link">{t("proof.close")}</Dialog.Close>
          </div>
          <Drawing {...drawing} large />
          <p className="mt-4 text-soft">{far}</p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** One proof with its label and reach. It opens large on a click. */
export const ProofFigure = memo(Figure);
