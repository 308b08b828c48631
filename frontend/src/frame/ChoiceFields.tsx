import { ARRANGEMENTS, FOLDS, HEADER_PARTS, LONG_RULES, WIDTHS } from "../api/lists.gen";
import { useFact, useFactActions } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { CheckBox } from "../ui/CheckBox";
import { Choices } from "../ui/Choices";

/** The facts that are one of a few, each with its values and the words that say them. */
const FACTS = {
  title_long: { values: LONG_RULES, words: "titleLong" },
  header_arrangement: { values: ARRANGEMENTS, words: "arrangement" },
  menu_fold: { values: FOLDS, words: "fold" },
  content_width: { values: WIDTHS, words: "contentWidth" },
} as const;
type ChoiceFact = keyof typeof FACTS;

/** A fact that is one of a few, each with what it does. */
export function ChoiceField({ fact, readOnly }: { fact: ChoiceFact; readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const { values, words } = FACTS[fact];
  const all: readonly (string | number)[] = values;
  return (
    <Choices
      field={fact}
      choices={all.map((value) => ({
        value,
        name: t(`${words}.${String(value)}`),
        does: t(`${words}.${String(value)}Does`),
      }))}
      chosen={useFact(fact)}
      readOnly={readOnly}
      onChoose={(value) => facts.choose({ [fact]: value })}
    />
  );
}

/** Whether the pages above are named on those that stand below others. */
export function TrailField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  return (
    <CheckBox
      field="shows_trail"
      disabled={readOnly}
      checked={useFact("shows_trail")}
      onChange={(shows_trail) => facts.choose({ shows_trail })}
    >
      {t("trail.show")}
    </CheckBox>
  );
}

/** What the header shows. */
export function HeaderPartsField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const shown: readonly string[] = useFact("header_parts");
  return (
    <div
      role="group"
      aria-labelledby="fact-header_parts"
      data-field="header_parts"
      tabIndex={-1}
      className="grid gap-1.5 outline-none"
    >
      {HEADER_PARTS.map((part) => (
        <CheckBox
          key={part}
          disabled={readOnly}
          checked={shown.includes(part)}
          onChange={(on) =>
            facts.choose({ header_parts: HEADER_PARTS.filter((one) => (one === part ? on : shown.includes(one))) })
          }
        >
          {t(`headerParts.${part}`)}
        </CheckBox>
      ))}
    </div>
  );
}
