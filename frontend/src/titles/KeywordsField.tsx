import { useTranslation } from "react-i18next";
import { useFact, useFieldText } from "../draft/hooks";
import { TextField } from "../draft/TextField";

/** Keywords between commas, counted. */
export function KeywordsField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const words = useFieldText("facts", "keywords")
    .split(/[,;،、，]/)
    .filter((word) => word.trim());
  return (
    <>
      <TextField
        document="facts"
        field="keywords"
        labelledBy="fact-keywords"
        describedBy="why-keywords wrong-keywords"
        placeholder={t("fact.keywords.empty")}
        readOnly={readOnly}
        language={useFact("language")}
        className="text-[15px]"
      />
      <p className="text-xs text-soft">{t("keywords.count", { count: words.length })}</p>
    </>
  );
}
