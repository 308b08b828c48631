import { useTranslation } from "react-i18next";
import { Link } from "react-router";
import type { Account } from "../api/client";
import { LanguageChoice } from "../i18n/LanguageChoice";
import { DeletedSites } from "../standing";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useAccount } from "./api";
import { Defaults } from "./Defaults";
import { Devices } from "./Devices";
import { EmailForm } from "./EmailForm";
import { PasswordForm } from "./PasswordForm";

function Sections({ account }: { account: Account }) {
  return (
    <div className="grid gap-10">
      <PasswordForm email={account.email} />
      <EmailForm email={account.email} />
      <Devices devices={account.devices} />
      <Defaults />
      <DeletedSites />
    </div>
  );
}

/** One's own account: password, email address, and where one is signed in. */
export function AccountView() {
  const { t } = useTranslation();
  const account = useAccount();
  return (
    <main className="mx-auto max-w-2xl px-6 py-10">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <Link to="/" className="act-link">
          {t("account.back")}
        </Link>
        <LanguageChoice />
      </div>
      <h1 className="mt-4 text-[30px] leading-tight font-[650] tracking-tight">{t("account.title")}</h1>
      <p className="mt-1 mb-8 font-code break-all text-soft">{account.data?.email}</p>
      <QueryBoundary query={account}>{(found) => <Sections account={found} />}</QueryBoundary>
    </main>
  );
}
