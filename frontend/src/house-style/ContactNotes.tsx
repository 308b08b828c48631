import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";
import { useFact, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Advices } from "../ui/Advices";
import { useSettled } from "../ui/useSettled";

/** What should be thought of with the contact address; what is wrong with it stands with the field itself. */
export function ContactNotes() {
  const { t } = useTranslation();
  const site = useSite().slug;
  const email = useSettled(useFact("contact_email"), 400);
  const checked = useQuery({
    queryKey: ["contact", site, email],
    queryFn: () =>
      result<Schemas["AddressOut"]>(
        api.POST("/api/sites/{site}/contact/check", { params: { path: { site } }, body: { email } }),
      ),
    enabled: email !== "",
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  }).data;
  if (!email) return null;
  return (
    <>
      {checked?.takes === "yes" && (
        <p className="mt-1.5 text-xs text-act">✓ {t("contactNotes.takes", { domain: email.split("@").at(-1) })}</p>
      )}
      <Advices notices={checked?.notices ?? []} />
    </>
  );
}
