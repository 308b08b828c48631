import { useTranslation } from "../i18n/useTranslation";
import { Field } from "../ui/Field";
import { errorsOf } from "./api";

interface Props {
  value: string;
  error: unknown;
  onType: (password: string) => void;
}

/** The password as it is, which whoever changes the account has to know. */
export function CurrentPassword({ value, error, onType }: Props) {
  const { t } = useTranslation();
  return (
    <Field
      label={t("account.current")}
      type="password"
      autoComplete="current-password"
      value={value}
      errors={errorsOf(error, "current")}
      onChange={(event) => onType(event.target.value)}
    />
  );
}
