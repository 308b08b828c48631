import { useSignOut } from "../accounts";
import { useTranslation } from "../i18n/useTranslation";
import { DeletedSites } from "../lifecycle";
import { AuthLayout } from "../ui/AuthLayout";

/** For who has a role on no site, and may make none here. */
export function NoSite() {
  const { t } = useTranslation();
  const signOut = useSignOut();
  return (
    <AuthLayout title={t("noSite.title")} lead={t("noSite.text")}>
      <DeletedSites />
      <button type="button" className="act-link justify-self-start" onClick={() => signOut.mutate(undefined)}>
        {t("account.signOut")}
      </button>
    </AuthLayout>
  );
}
