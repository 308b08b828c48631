import { useFact, useFactActions, useFieldState } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useBrandReport } from "./BrandReport";
import { ColourInput } from "./ColourInput";
import { Pairs } from "./Pairs";
import { Swatch } from "./Swatch";

interface Props {
  fact: "brand_colour" | "accent_colour";
  readOnly: boolean;
}

/** Colours that the logo is drawn in, to be taken at a click. */
function Proposals({ fact }: { fact: Props["fact"] }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const proposals = useBrandReport()?.proposals[fact] ?? [];
  if (!proposals.length) return null;
  return (
    <p className="mt-2 flex flex-wrap items-center gap-1.5 text-xs text-soft">
      {t("colour.fromLogo")}
      {proposals.map((colour) => (
        <Swatch
          key={colour}
          colour={colour}
          label={t("colour.take", { colour })}
          onTake={() => facts.choose({ [fact]: colour })}
        />
      ))}
    </p>
  );
}

/** A colour by value, by picker, or from the logo; below the brand's, what is derived from both. */
export function ColourField({ fact, readOnly }: Props) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const value = useFact(fact);
  const brand = useFact("brand_colour");
  const { errors } = useFieldState("facts", fact);
  const stands = value || brand;
  return (
    <>
      <div className="flex items-center gap-3">
        <ColourInput
          label={t("colour.picker", { fact: t(`factName.${fact}`) })}
          hideLabel
          disabled={readOnly}
          value={stands}
          onChange={(colour) => facts.type(fact, colour)}
        />
        <input
          data-field={fact}
          value={value}
          readOnly={readOnly}
          spellCheck={false}
          placeholder={t(`fact.${fact}.empty`)}
          aria-labelledby={`fact-${fact}`}
          aria-describedby={`why-${fact} wrong-${fact}`}
          aria-invalid={errors.length > 0}
          onChange={(event) => facts.type(fact, event.target.value)}
          onBlur={() => facts.settle(fact)}
          className="fact-field font-code placeholder:font-body placeholder:text-soft"
        />
      </div>
      {!readOnly && <Proposals fact={fact} />}
      {fact === "accent_colour" && <Pairs />}
    </>
  );
}
