import { Dialog } from "radix-ui";
import { useState, type SubmitEvent } from "react";
import type { Site } from "../api/client";
import { ApiProblem } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { useSetLabel } from "./api";
import { LabelField } from "./LabelField";

/** Sets the private label, for owners whose sites share a name. */
export function LabelDialog({ site, onClose }: { site: Site; onClose: () => void }) {
  const { t } = useTranslation();
  const save = useSetLabel(site.slug);
  const [label, setLabel] = useState(site.label);
  const problem = save.error instanceof ApiProblem ? save.error : null;

  function submit(event: SubmitEvent) {
    event.preventDefault();
    save.mutate(label, { onSuccess: onClose });
  }

  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 w-[26rem] max-w-[92vw] -translate-1/2 rounded-lg bg-paper p-6 shadow-xl"
        >
          <Dialog.Title className="mb-4 text-lg font-semibold">{t("label.title", { name: site.name })}</Dialog.Title>
          <form onSubmit={submit} className="grid gap-5">
            <LabelField label={label} problem={problem} onType={setLabel} />
            <div className="flex items-center gap-4">
              <Button type="submit" disabled={save.isPending}>
                {t("label.keep")}
              </Button>
              <Dialog.Close className="act-link">{t("label.leave")}</Dialog.Close>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
