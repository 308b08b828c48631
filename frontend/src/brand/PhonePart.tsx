import { useFact, useFactActions, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { useBrandReport } from "./BrandReport";
import { PictureCrop } from "./PictureCrop";

/** Of a logo that is a banner, the part that phones show: all of it, in which words become small, or a part. */
export function PhonePart() {
  const { t } = useTranslation();
  const site = useSite();
  const facts = useFactActions();
  const report = useBrandReport()?.logo;
  const logo = useFact("logo");
  const phone = useFact("logo_phone");
  if (!logo || !report?.is_banner) return null;
  const choose = (trim: number[], sliding = false) => facts.choose({ logo_phone: { ...logo, trim: trim } }, sliding);
  return (
    <div className="mt-3">
      <p>{t(phone ? "logo.phonePart" : "logo.phoneWhole")}</p>
      {phone ? (
        <>
          <PictureCrop
            key={phone.picture}
            src={`/api/sites/${site.slug}/files/pic-${phone.picture}`}
            crop={phone.trim ?? [0, 0, 1, 1]}
            onCrop={(trim) => choose(trim, true)}
          />
          <ActionLink onClick={() => facts.choose({ logo_phone: null })}>{t("logo.phoneAll")}</ActionLink>
        </>
      ) : (
        <ActionLink onClick={() => choose(report.phone_part)}>{t("logo.phoneChoose")}</ActionLink>
      )}
    </div>
  );
}
