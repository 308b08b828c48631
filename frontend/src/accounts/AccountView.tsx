import type { Account } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { DeletedSites } from "../lifecycle";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useAccount } from "./api";
import { Apart } from "./Apart";
import { Defaults } from "./Defaults";
import { Devices } from "./Devices";
import { EmailForm } from "./EmailForm";
import { PasswordForm } from "./PasswordForm";

function Sections({ account }: { account: Account }) {
  return (
    <div className="grid gap-10">
      <PasswordForm email={account.email} />
      <EmailForm account={account} />
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
    <Apart title={t("account.title")}>
      <p className="mt-1 mb-8 font-code break-all text-soft">{account.data?.email}</p>
      <QueryBoundary query={account}>{(found) => <Sections account={found} />}</QueryBoundary>
    </Apart>
  );
}
