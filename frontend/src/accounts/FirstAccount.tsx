import { useState, type SubmitEvent } from "react";
import { ApiProblem } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { Field } from "../ui/Field";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useFirstAccount } from "./api";
import { AuthLayout } from "../ui/AuthLayout";

/** The very first visit: nobody has an account yet. */
export function FirstAccount() {
  const { t } = useTranslation();
  const make = useFirstAccount();
  const [fields, setFields] = useState({ email: "", name: "", password: "" });
  const problem = make.error instanceof ApiProblem ? make.error : null;

  function field(key: keyof typeof fields) {
    return {
      value: fields[key],
      errors: problem?.of(key) ?? [],
      onChange: (event: { target: { value: string } }) => setFields({ ...fields, [key]: event.target.value }),
    };
  }

  function submit(event: SubmitEvent) {
    event.preventDefault();
    make.mutate(fields);
  }

  return (
    <AuthLayout title={t("firstAccount.title")} lead={t("firstAccount.lead")}>
      <form onSubmit={submit} className="grid gap-4" noValidate>
        <ErrorNotice error={make.error} />
        <Field label={t("signIn.email")} type="email" autoComplete="username" autoFocus {...field("email")} />
        <Field
          label={t("firstAccount.name")}
          hint={t("firstAccount.nameHint")}
          autoComplete="name"
          {...field("name")}
        />
        <Field
          label={t("signIn.password")}
          hint={t("firstAccount.passwordHint")}
          type="password"
          autoComplete="new-password"
          {...field("password")}
        />
        <Button type="submit" disabled={make.isPending}>
          {t("firstAccount.go")}
        </Button>
      </form>
    </AuthLayout>
  );
}
