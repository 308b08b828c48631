import type { ApiProblem } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";
import { Field } from "../ui/Field";

interface Props {
  label: string;
  problem: ApiProblem | null;
  onType: (label: string) => void;
}

/** The private label of a site, shown only on the desk. */
export function LabelField({ label, problem, onType }: Props) {
  const { t } = useTranslation();
  return (
    <Field
      label={t("newSite.label")}
      hint={t("newSite.labelHint")}
      value={label}
      errors={problem?.of("label") ?? []}
      onChange={(event) => onType(event.target.value)}
    />
  );
}
