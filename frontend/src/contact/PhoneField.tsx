import { useFact, useSite } from "../draft/hooks";
import { FactText } from "../draft/FactText";
import { useTranslation } from "../i18n/useTranslation";
import { Advices } from "../ui/Advices";
import { useSettled } from "../ui/useSettled";
import { useDetails } from "./api";
import { useCountryName } from "./countries";

/** A telephone number, with how pages will show it. */
export function PhoneField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const phone = useFact("phone");
  const found = useDetails(site, useSettled(phone, 300), useFact("postal_address")).data;
  const country = useCountryName(found?.country ?? "");
  return (
    <>
      <FactText fact="phone" readOnly={readOnly} className="text-base font-medium" inWords={false} />
      {phone && found?.phone && (
        <p className="mt-1 text-soft">
          {t("phone.shows", {
            national: found.phone,
            abroad: found.phone_abroad,
            interpolation: { escapeValue: false },
          })}
        </p>
      )}
      {!phone && found?.phone_example && (
        <p className="mt-1 text-xs text-soft">{t("phone.example", { country, example: found.phone_example })}</p>
      )}
      {phone && <Advices notices={found?.notices.filter((one) => one.field === "phone") ?? []} />}
    </>
  );
}
