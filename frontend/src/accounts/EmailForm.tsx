import { useState, type FormEvent } from "react";
import { useTranslation } from "react-i18next";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Field } from "../ui/Field";
import { errorsOf, useChangeEmail } from "./api";

export function EmailForm({ email }: { email: string }) {
  const { t } = useTranslation();
  const change = useChangeEmail();
  const [address, setAddress] = useState(email);
  const [current, setCurrent] = useState("");

  function submit(event: FormEvent) {
    event.preventDefault();
    change.mutate({ current, email: address }, { onSuccess: () => setCurrent("") });
  }

  return (
    <section aria-labelledby="email">
      <h2 id="email" className="mb-3 text-lg font-semibold">
        {t("account.email")}
      </h2>
      <form onSubmit={submit} className="grid max-w-md gap-4" noValidate>
        <ErrorNotice error={change.error} />
        <Field
          label={t("account.newEmail")}
          hint={t("account.emailHint")}
          type="email"
          autoComplete="email"
          value={address}
          errors={errorsOf(change.error, "email")}
          onChange={(event) => setAddress(event.target.value)}
        />
        <Field
          label={t("account.current")}
          type="password"
          autoComplete="current-password"
          value={current}
          errors={errorsOf(change.error, "current")}
          onChange={(event) => setCurrent(event.target.value)}
        />
        <div className="flex flex-wrap items-center gap-4">
          <Button type="submit" disabled={change.isPending || address === email}>
            {t("account.changeEmail")}
          </Button>
          <p role="status">{change.isSuccess && t("account.emailChanged")}</p>
        </div>
      </form>
    </section>
  );
}
