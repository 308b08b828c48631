import { useTranslation } from "react-i18next";
import { TextField } from "../draft/TextField";
import { useFact } from "../draft/hooks";
import { LeftOut } from "./LeftOut";

/** The text beside every page's own. */
export function SideField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  return (
    <>
      <TextField
        document="facts"
        field="side_text"
        labelledBy="fact-side_text"
        describedBy="why-side_text wrong-side_text"
        placeholder={t("fact.side_text.empty")}
        readOnly={readOnly}
        language={useFact("language")}
        className="text-[15px]"
        lines
      />
      <LeftOut readOnly={readOnly} />
    </>
  );
}
