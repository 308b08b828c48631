import { useTranslation } from "react-i18next";
import { ColourField } from "../marks/ColourField";
import { IconField } from "../marks/IconField";
import { LogoField } from "../marks/LogoField";
import { ShareField } from "../marks/ShareField";
import { TypefacesField } from "../marks/TypefacesField";
import { ClockField, LanguageField } from "./SettingFields";
import type { RowPlan } from "./bands";
import { shownValue } from "./keeper";
import { useKeeper } from "./KeeperProvider";

const SIZES = {
  name: "font-display text-[21px] font-semibold leading-tight",
  line: "text-base font-medium",
  text: "text-[15px]",
};

/** A fact's words, edited where they stand. They grow to as many lines as they need, but stay one text. */
function LineField({ plan, readOnly }: { plan: RowPlan; readOnly: boolean }) {
  const { t } = useTranslation();
  const { keeper, state } = useKeeper();
  const { key } = plan;
  return (
    <textarea
      rows={1}
      data-fact={key}
      dir="auto"
      lang={state.style.facts.language}
      spellCheck
      value={shownValue(state, key)}
      readOnly={readOnly}
      aria-labelledby={`fact-${key}`}
      aria-describedby={`why-${key} wrong-${key}`}
      aria-invalid={(state.errors[key] ?? []).length > 0}
      placeholder={t(`fact.${key}.empty`)}
      className={`fact-field placeholder:font-normal placeholder:text-soft ${SIZES[plan.size]}`}
      // A pasted line break would be refused by the rules; a space is what was meant.
      onChange={(event) => keeper.type(key, event.target.value.replace(/\s*\n\s*/g, " "))}
      onKeyDown={(event) => {
        if (event.key === "Enter") event.preventDefault();
      }}
      onBlur={() => keeper.settle(key)}
    />
  );
}

export function FactField({ plan, readOnly }: { plan: RowPlan; readOnly: boolean }) {
  switch (plan.field) {
    case "line":
      return <LineField plan={plan} readOnly={readOnly} />;
    case "colour":
      return <ColourField fact={plan.key as "brand_colour" | "accent_colour"} readOnly={readOnly} />;
    case "logo":
      return <LogoField readOnly={readOnly} />;
    case "icon":
      return <IconField readOnly={readOnly} />;
    case "share":
      return <ShareField readOnly={readOnly} />;
    case "typefaces":
      return <TypefacesField readOnly={readOnly} />;
    case "language":
      return <LanguageField readOnly={readOnly} />;
    case "clock":
      return <ClockField readOnly={readOnly} />;
    default:
      return plan.field satisfies never;
  }
}
