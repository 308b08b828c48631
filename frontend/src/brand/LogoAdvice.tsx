import type { BrandReport } from "../api/client";
import { useFactActions } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Advice } from "../ui/Advice";
import { useBrandReport } from "./BrandReport";

type Found = NonNullable<BrandReport["logo"]>["advice"][number];

function OneAdvice({ found, onChooseDark }: { found: Found; onChooseDark: () => void }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  return (
    <Advice good={found.good}>
      <span role="status">{t(`logo.advice.${found.code}`, { number: found.number })}</span>{" "}
      {found.remedies.map((remedy) => (
        <ActionLink
          key={remedy.code}
          onClick={() => (remedy.code === "choose_dark" ? onChooseDark() : facts.choose(remedy.facts))}
        >
          {t(`logo.remedy.${remedy.code}`)}
        </ActionLink>
      ))}
    </Advice>
  );
}

/** What was found about the logo: its margins, how it stands on light and dark, whether it is sharp; and remedies. */
export function LogoAdvice({ onChooseDark }: { onChooseDark: () => void }) {
  const { t } = useTranslation();
  const format = useFormat();
  const logo = useBrandReport()?.logo;
  if (!logo) return null;
  return (
    <div className="mt-2 grid gap-1">
      {logo.advice.map((found) => (
        <OneAdvice key={found.code} found={found} onChooseDark={onChooseDark} />
      ))}
      {logo.modern_bytes < logo.fallback_bytes && (
        <p className="text-xs text-soft">
          {t("logo.saved", {
            modern: format.bytes(logo.modern_bytes),
            fallback: format.bytes(logo.fallback_bytes),
            share: Math.round((1 - logo.modern_bytes / logo.fallback_bytes) * 100),
          })}
        </p>
      )}
    </div>
  );
}
