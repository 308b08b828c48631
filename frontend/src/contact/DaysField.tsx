import { useTranslation } from "react-i18next";
import { useFact, useFactActions } from "../draft/hooks";
import { Choices } from "../ui/Choices";

const DAYS = [30, 90, 180, 365] as const;

/** For how long messages of the form are kept. */
export function DaysField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const chosen = useFact("enquiry_days");
  return (
    <Choices
      field="enquiry_days"
      choices={DAYS.map((value) => ({ value, name: t("days.of", { count: value }), does: t(`days.${value}`) }))}
      chosen={DAYS.find((days) => days === chosen) ?? 180}
      readOnly={readOnly}
      onChoose={(enquiry_days) => facts.choose({ enquiry_days })}
    />
  );
}
