import { useTranslation } from "react-i18next";
import { shownValue } from "../sheet/keeper";
import { useKeeper } from "../sheet/KeeperProvider";
import { useMarks } from "./api";
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
  const { keeper } = useKeeper();
  const proposals = useMarks()?.proposals ?? [];
  if (!proposals.length) return null;
  return (
    <p className="mt-2 flex flex-wrap items-center gap-1.5 text-xs text-soft">
      {t("colour.fromLogo")}
      {proposals.map((colour) => (
        <Swatch key={colour} colour={colour} label={t("colour.take", { colour })} onTake={() => keeper.choose({ [fact]: colour })} />
      ))}
    </p>
  );
}

/** A colour by value, by picker, or from the logo; below the brand's, what is derived from both. */
export function ColourField({ fact, readOnly }: Props) {
  const { t } = useTranslation();
  const { keeper, state } = useKeeper();
  const value = shownValue(state, fact);
  const stands = value || shownValue(state, "brand_colour");
  return (
    <>
      <div className="flex items-center gap-3">
        <ColourInput label={t("colour.picker", { fact: t(`fact.${fact}.name`) })} hideLabel disabled={readOnly} value={stands} onChange={(colour) => keeper.type(fact, colour)} />
        <input
          data-fact={fact}
          value={value}
          readOnly={readOnly}
          spellCheck={false}
          placeholder={t(`fact.${fact}.empty`)}
          aria-labelledby={`fact-${fact}`}
          aria-describedby={`why-${fact} wrong-${fact}`}
          aria-invalid={(state.errors[fact] ?? []).length > 0}
          onChange={(event) => keeper.type(fact, event.target.value)}
          onBlur={() => keeper.settle(fact)}
          className="fact-field font-code placeholder:font-body placeholder:text-soft"
        />
      </div>
      {!readOnly && <Proposals fact={fact} />}
      {fact === "accent_colour" && <Pairs />}
    </>
  );
}
