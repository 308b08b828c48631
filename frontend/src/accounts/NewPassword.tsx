import { useState, type SubmitEvent } from "react";
import { Link, useSearchParams } from "react-router";
import { useTranslation } from "../i18n/useTranslation";
import { AuthLayout } from "../ui/AuthLayout";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { NewPasswordField } from "./NewPasswordField";
import { useReplacePassword } from "./api";

/** What a link to replace a lost password leads to. */
export function NewPassword() {
  const { t } = useTranslation();
  const [link] = useSearchParams();
  const replace = useReplacePassword();
  const [password, setPassword] = useState("");

  function submit(event: SubmitEvent) {
    event.preventDefault();
    replace.mutate({ account: Number(link.get("account")) || 1, token: link.get("token") ?? "", password });
  }

  if (replace.isSuccess) {
    return (
      <AuthLayout title={t("newPassword.done")} lead={t("newPassword.doneLead")}>
        <Link to="/" className="act-link" autoFocus>
          {t("signIn.go")}
        </Link>
      </AuthLayout>
    );
  }
  return (
    <AuthLayout title={t("newPassword.title")} lead={t("newPassword.lead")}>
      <form onSubmit={submit} className="grid gap-4" noValidate>
        <ErrorNotice error={replace.error} />
        <NewPasswordField value={password} error={replace.error} autoFocus onType={setPassword} />
        <Button type="submit" disabled={replace.isPending}>
          {t("newPassword.go")}
        </Button>
      </form>
    </AuthLayout>
  );
}
