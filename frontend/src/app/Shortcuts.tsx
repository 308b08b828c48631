import { Dialog } from "radix-ui";
import { useTranslation } from "../i18n/useTranslation";

const SHORTCUTS = ["find", "list", "undo", "redo", "move", "close"] as const;

/** The keys that do something, and what. */
export function Shortcuts({ onClose }: { onClose: () => void }) {
  const { t } = useTranslation();
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 w-[34rem] max-w-[94vw] -translate-1/2 rounded-lg bg-paper p-6 shadow-xl"
        >
          <div className="mb-4 flex items-baseline justify-between gap-4">
            <Dialog.Title className="text-lg font-semibold">{t("shortcuts.title")}</Dialog.Title>
            <Dialog.Close className="act-link">{t("proof.close")}</Dialog.Close>
          </div>
          <dl className="border-t border-ink">
            {SHORTCUTS.map((one) => (
              <div key={one} className="flex flex-wrap justify-between gap-x-6 border-b border-line py-2">
                <dt>{t(`shortcuts.${one}.does`)}</dt>
                <dd className="font-code text-xs text-soft">{t(`shortcuts.${one}.keys`)}</dd>
              </div>
            ))}
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
