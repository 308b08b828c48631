import { DEFAULTS } from "../api/facts.gen";
import { ENQUIRY_DAYS } from "../api/lists.gen";
import { useFact, useFactActions } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Choices } from "../ui/Choices";

/** For how long messages of the form are kept. */
export function DaysField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const chosen = useFact("enquiry_days");
  return (
    <Choices
      field="enquiry_days"
      choices={ENQUIRY_DAYS.map((value) => ({ value, name: t("days.of", { count: value }), does: t(`days.${value}`) }))}
      chosen={ENQUIRY_DAYS.find((days) => days === chosen) ?? DEFAULTS.enquiry_days}
      readOnly={readOnly}
      onChoose={(enquiry_days) => facts.choose({ enquiry_days })}
    />
  );
}
