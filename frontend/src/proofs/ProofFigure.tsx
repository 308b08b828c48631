import { Dialog } from "radix-ui";
import { memo } from "react";
import { useTranslation } from "react-i18next";
import type { Proof, Proofs } from "../api/client";
import { Drawing } from "./drawings";
import type { Guise, PlaceReach } from "./model";
import { useReachWords } from "./reachWords";

interface Props {
  proof: Proof;
  fact: string;
  as?: Guise | undefined;
  mark: string;
  themes: Proofs["themes"];
  reach: PlaceReach | undefined;
  shows: boolean;
}

function Figure({ proof, fact, as, mark, themes, reach, shows }: Props) {
  const { t } = useTranslation();
  const words = useReachWords();
  const label = as ? t(`guise.${proof.place}.${as}`) : t(`place.${proof.place}`);
  const far = reach ? words(reach) : shows ? "" : t("proof.notHere");
  return (
    <Dialog.Root>
      <figure className="m-0 max-w-full">
        <Dialog.Trigger className="block max-w-full rounded-sm text-start">
          <span className="unseen">{t("proof.enlarge", { place: label })}</span>
          <Drawing proof={proof} fact={fact} as={as} mark={mark} themes={themes} large={false} />
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
          <Drawing proof={proof} fact={fact} as={as} mark={mark} themes={themes} large />
          <p className="mt-4 text-soft">{far}</p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** One proof with its label and reach. It opens large on a click. Drawn anew only when it says something else. */
export const ProofFigure = memo(Figure, (before, after) => JSON.stringify(before) === JSON.stringify(after));
