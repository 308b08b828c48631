import { useId } from "react";
import { useTranslation } from "../i18n/useTranslation";
import { WallTime } from "../ui/WallTime";

interface Props {
  at: string;
  onChoose: (at: string) => void;
}

/** The moment that the proofs show: now, or a time on the site's clock. */
export function MomentChoice({ at, onChoose }: Props) {
  const { t } = useTranslation();
  const id = useId();
  return (
    <span className="flex min-w-0 flex-wrap items-center gap-2">
      <label htmlFor={id} className="flex-none">
        {t("sheet.asOn")}
      </label>
      <WallTime id={id} value={at} onChoose={onChoose} />
      {at && (
        <button type="button" className="act-link" onClick={() => onChoose("")}>
          {t("sheet.now")}
        </button>
      )}
    </span>
  );
}
