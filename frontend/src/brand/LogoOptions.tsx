import { leastOf, mostOf } from "../draft/facts";
import { useFact, useFactActions, useFieldState } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { useBrandReport } from "./BrandReport";
import { PhonePart } from "./PhonePart";

const LEAST = leastOf("logo_width");
const MOST = mostOf("logo_width");

function Width() {
  const { t } = useTranslation();
  const facts = useFactActions();
  const logo = useBrandReport()?.logo;
  const set = useFact("logo_width");
  const width = set || logo?.width;
  const wrong = useFieldState("facts", "logo_width")
    .errors.map((error) => error.message)
    .join(" ");
  if (!width) return null;
  return (
    <div className="mt-3">
      <div className="flex items-center gap-3">
        <label htmlFor="logo-width" className="w-14 flex-none">
          {t("logo.width")}
        </label>
        <input
          id="logo-width"
          type="range"
          min={LEAST}
          max={MOST}
          value={width}
          className="min-w-0 flex-1 accent-act"
          onChange={(event) => facts.choose({ logo_width: Number(event.target.value) }, true)}
        />
        <input
          type="number"
          min={LEAST}
          max={MOST}
          value={width}
          aria-label={t("logo.widthNumber")}
          className="w-18 rounded-sm border border-soft bg-paper px-2 py-1"
          onChange={(event) => facts.choose({ logo_width: Math.round(Number(event.target.value)) }, true)}
        />
      </div>
      <p role="alert" className="text-xs text-stop empty:hidden">
        {wrong}
      </p>
      <p className="text-xs text-soft">
        {set === 0 ? (
          t("logo.byShape", { width })
        ) : (
          <ActionLink onClick={() => facts.choose({ logo_width: 0 })}>
            {t("logo.toShape", { width: logo?.sensible_width ?? 0 })}
          </ActionLink>
        )}
      </p>
    </div>
  );
}

/** How wide the logo is, and whether it says the name by itself. */
export function LogoOptions() {
  const { t } = useTranslation();
  const facts = useFactActions();
  return (
    <>
      <Width />
      <PhonePart />
      <label className="mt-2 flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-0.5 size-4 accent-act"
          checked={useFact("logo_says_name")}
          onChange={(event) => facts.choose({ logo_says_name: event.target.checked })}
        />
        <span>
          {t("logo.saysName")} <span className="block text-xs text-soft">{t("logo.saysNameWhy")}</span>
        </span>
      </label>
    </>
  );
}
