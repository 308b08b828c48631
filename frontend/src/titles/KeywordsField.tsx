import { FactText } from "../draft/FactText";
import { useFieldText } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";

/** Keywords between commas, counted. */
export function KeywordsField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const words = useFieldText("facts", "keywords")
    .split(/[,;،؛、，]/)
    .filter((word) => word.trim());
  return (
    <>
      <FactText fact="keywords" readOnly={readOnly} className="text-[15px]" />
      <p className="text-xs text-soft">{t("keywords.count", { count: words.length })}</p>
    </>
  );
}
