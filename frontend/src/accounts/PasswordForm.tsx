import { useState, type FormEvent } from "react";
import { useTranslation } from "react-i18next";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Field } from "../ui/Field";
import { errorsOf, useChangePassword } from "./api";

export function PasswordForm({ email }: { email: string }) {
  const { t } = useTranslation();
  const change = useChangePassword();
  const [current, setCurrent] = useState("");
  const [password, setPassword] = useState("");

  function submit(event: FormEvent) {
    event.preventDefault();
    change.mutate(
      { current, password },
      {
        onSuccess: () => {
          setCurrent("");
          setPassword("");
        },
      },
    );
  }

  return (
    <section aria-labelledby="password">
      <h2 id="password" className="mb-3 text-lg font-semibold">
        {t("account.password")}
      </h2>
      <form onSubmit={submit} className="grid max-w-md gap-4" noValidate>
        <ErrorNotice error={change.error} />
        {/* So that the browser's own list of passwords knows whose it is. */}
        <input type="hidden" autoComplete="username" value={email} readOnly />
        <Field
          label={t("account.current")}
          type="password"
          autoComplete="current-password"
          value={current}
          errors={errorsOf(change.error, "current")}
          onChange={(event) => setCurrent(event.target.value)}
        />
        <Field
          label={t("account.new")}
          hint={t("firstAccount.passwordHint")}
          type="password"
          autoComplete="new-password"
          value={password}
          errors={errorsOf(change.error, "password")}
          onChange={(event) => setPassword(event.target.value)}
        />
        <div className="flex flex-wrap items-center gap-4">
          <Button type="submit" disabled={change.isPending}>
            {t("account.changePassword")}
          </Button>
          <p role="status">{change.isSuccess && t("account.passwordChanged")}</p>
        </div>
      </form>
    </section>
  );
}
