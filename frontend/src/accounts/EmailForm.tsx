import { useState } from "react";
import { useTranslation } from "../i18n/useTranslation";
import { Field } from "../ui/Field";
import { AccountForm } from "./AccountForm";
import { CurrentPassword } from "./CurrentPassword";
import { errorsOf, useChangeEmail } from "./api";

export function EmailForm({ email }: { email: string }) {
  const { t } = useTranslation();
  const change = useChangeEmail();
  const [address, setAddress] = useState(email);
  const [current, setCurrent] = useState("");
  return (
    <AccountForm
      title={t("account.email")}
      action={t("account.changeEmail")}
      done={t("account.emailChanged")}
      change={change}
      disabled={address === email}
      onSubmit={() => change.mutate({ current, email: address }, { onSuccess: () => setCurrent("") })}
    >
      <Field
        label={t("account.newEmail")}
        hint={t("account.emailHint")}
        type="email"
        autoComplete="email"
        value={address}
        errors={errorsOf(change.error, "email")}
        onChange={(event) => setAddress(event.target.value)}
      />
      <CurrentPassword value={current} error={change.error} onType={setCurrent} />
    </AccountForm>
  );
}
