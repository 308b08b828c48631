import { useState, type SubmitEvent } from "react";
import type { Session } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { Field } from "../ui/Field";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useSignIn } from "./api";
import { AuthLayout } from "../ui/AuthLayout";

function DemoAccounts({
  accounts,
  onUse,
}: {
  accounts: Session["demo_accounts"];
  onUse: (email: string, password: string) => void;
}) {
  const { t } = useTranslation();
  if (!accounts.length) return null;
  return (
    <section aria-labelledby="demo" className="mt-8 border-t border-line pt-5">
      <h2 id="demo" className="text-[15px] font-semibold">
        {t("signIn.demo")}
      </h2>
      <p className="mb-3 text-soft">
        {t("signIn.demoPassword")} <code className="font-code whitespace-nowrap text-ink">{accounts[0]?.password}</code>
      </p>
      <ul className="grid gap-1">
        {accounts.map((account) => (
          <li key={account.email} className="flex flex-wrap items-baseline gap-x-3">
            <button
              type="button"
              className="act-link py-1 font-code"
              onClick={() => onUse(account.email, account.password)}
            >
              {account.email}
            </button>
            <span className="text-soft">{t(`role.${account.role}`)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

export function SignIn({ session }: { session: Session }) {
  const { t } = useTranslation();
  const signIn = useSignIn();
  const [email, setEmail] = useState("");
  const [password, setPassword] = useState("");

  function submit(event: SubmitEvent) {
    event.preventDefault();
    signIn.mutate({ email, password });
  }

  return (
    <AuthLayout title={t("signIn.title")} lead={t("signIn.lead")}>
      <form onSubmit={submit} className="grid gap-4">
        <ErrorNotice error={signIn.error} />
        <Field
          label={t("signIn.email")}
          type="email"
          autoComplete="username"
          required
          autoFocus
          value={email}
          onChange={(event) => setEmail(event.target.value)}
        />
        <Field
          label={t("signIn.password")}
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
        <Button type="submit" disabled={signIn.isPending}>
          {t("signIn.go")}
        </Button>
      </form>
      <details className="mt-5 text-soft">
        <summary className="act-link w-fit cursor-pointer">{t("signIn.lost")}</summary>
        <p className="mt-2 max-w-md">{t("signIn.lostHint")}</p>
      </details>
      <DemoAccounts
        accounts={session.demo_accounts}
        onUse={(email, password) => {
          setEmail(email);
          setPassword(password);
          signIn.mutate({ email, password });
        }}
      />
    </AuthLayout>
  );
}
