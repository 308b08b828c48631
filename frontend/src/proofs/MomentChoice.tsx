import { useId, useState } from "react";
import { useTranslation } from "../i18n/useTranslation";
import { later } from "../ui/later";

const WhenField = later(async () => (await import("../draft/when/WhenField")).WhenField);

interface Props {
  at: string;
  onChoose: (at: string) => void;
}

/** The moment that the proofs show: now, or a time on the site's clock. */
export function MomentChoice({ at, onChoose }: Props) {
  const { t } = useTranslation();
  const id = useId();
  const [isOpen, setOpen] = useState(false);
  // Hardly anybody needs it, and an empty field says nothing.
  if (!at && !isOpen)
    return (
      <button type="button" aria-expanded={false} className="act-link" onClick={() => setOpen(true)}>
        {t("sheet.otherDay")}
      </button>
    );
  return (
    <span className="flex min-w-0 flex-wrap items-center gap-2">
      <label htmlFor={id} className="flex-none">
        {t("sheet.asOn")}
      </label>
      <WhenField wanted="moment" id={id} autoFocus={isOpen} value={at} onChoose={onChoose} />
      {at && (
        <button
          type="button"
          className="act-link"
          onClick={() => {
            onChoose("");
            setOpen(false);
          }}
        >
          {t("sheet.now")}
        </button>
      )}
    </span>
  );
}
