import { useTranslation } from "../i18n/useTranslation";
import { Field } from "../ui/Field";
import { errorsOf } from "./api";

interface Props {
  value: string;
  error: unknown;
  autoFocus?: boolean;
  onType: (password: string) => void;
}

/** Another password. */
export function NewPasswordField({ value, error, autoFocus = false, onType }: Props) {
  const { t } = useTranslation();
  return (
    <Field
      label={t("account.new")}
      hint={t("firstAccount.passwordHint")}
      type="password"
      autoComplete="new-password"
      autoFocus={autoFocus}
      value={value}
      errors={errorsOf(error, "password")}
      onChange={(event) => onType(event.target.value)}
    />
  );
}
