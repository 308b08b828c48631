import { useState } from "react";
import { useTranslation } from "../i18n/useTranslation";
import { AccountForm } from "./AccountForm";
import { CurrentPassword } from "./CurrentPassword";
import { NewPasswordField } from "./NewPasswordField";
import { useChangePassword } from "./api";

export function PasswordForm({ email }: { email: string }) {
  const { t } = useTranslation();
  const change = useChangePassword();
  const [current, setCurrent] = useState("");
  const [password, setPassword] = useState("");

  function clear() {
    setCurrent("");
    setPassword("");
  }

  return (
    <AccountForm
      title={t("account.password")}
      action={t("account.changePassword")}
      done={t("account.passwordChanged")}
      change={change}
      onSubmit={() => change.mutate({ current, password }, { onSuccess: clear })}
    >
      {/* So that the browser's own list of passwords knows whose it is. */}
      <input type="hidden" autoComplete="username" value={email} readOnly />
      <CurrentPassword value={current} error={change.error} onType={setCurrent} />
      <NewPasswordField value={password} error={change.error} onType={setPassword} />
    </AccountForm>
  );
}
