import { Link } from "react-router";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useAddContactPage, useContactState } from "./api";
import { useCountryName } from "./countries";

/** The pages that say all this: which there are, and those that could be added. */
export function ContactPages({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const now = useContactState(site).data;
  const add = useAddContactPage(site);
  const country = useCountryName(now?.country ?? "");
  if (!now) return null;
  const lacks = now.imprint_lacks.map((key) => t(`factName.${key}`)).join(", ");
  const offersImprint = now.imprint_asked && !now.imprint;
  return (
    <div className="mt-3 grid gap-1.5 border-t border-line pt-2.5">
      {now.page ? (
        <p>
          <Link to={`/${site}/pages`} className="act-link">
            {t("contactPages.there", { path: now.page })}
          </Link>
        </p>
      ) : (
        <>
          <p className="text-warn">▲ {t("contactPages.none")}</p>
          {!readOnly && (
            <span>
              <ActionLink onClick={() => add.mutate("contact")}>{t("contactPages.add")}</ActionLink>
            </span>
          )}
        </>
      )}
      {now.imprint && <p>{t("contactPages.imprintThere", { path: now.imprint })}</p>}
      {offersImprint && (
        <>
          <p className="text-warn">▲ {t("contactPages.imprintAsked", { country })}</p>
          {!readOnly && (
            <span>
              <ActionLink onClick={() => add.mutate("imprint")}>{t("contactPages.addImprint")}</ActionLink>
            </span>
          )}
        </>
      )}
      {(now.imprint || offersImprint) && lacks && (
        <p className="text-soft">{t("contactPages.lacks", { facts: lacks })}</p>
      )}
      <ErrorNotice error={add.error} />
    </div>
  );
}
