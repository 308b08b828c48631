import { useTranslation } from "react-i18next";
import { ARRANGEMENTS, FOLDS, HEADER_PARTS, LONG_RULES, WIDTHS } from "../api/facts.gen";
import { useFact, useFactActions } from "../draft/hooks";
import { Choices } from "../ui/Choices";

interface Props {
  readOnly: boolean;
}

/** What becomes of the site's name in long titles. */
export function LongField({ readOnly }: Props) {
  const { t } = useTranslation();
  const facts = useFactActions();
  return (
    <Choices
      field="title_long"
      choices={LONG_RULES.map((value) => ({
        value,
        name: t(`titleLong.${value}`),
        does: t(`titleLong.${value}Does`),
      }))}
      chosen={useFact("title_long")}
      readOnly={readOnly}
      onChoose={(title_long) => facts.choose({ title_long })}
    />
  );
}

/** How logo, name and menu stand to each other. */
export function ArrangementField({ readOnly }: Props) {
  const { t } = useTranslation();
  const facts = useFactActions();
  return (
    <Choices
      field="header_arrangement"
      choices={ARRANGEMENTS.map((value) => ({
        value,
        name: t(`arrangement.${value}`),
        does: t(`arrangement.${value}Does`),
      }))}
      chosen={useFact("header_arrangement")}
      readOnly={readOnly}
      onChoose={(header_arrangement) => facts.choose({ header_arrangement })}
    />
  );
}

/** Below which width of the window the menu folds. */
export function FoldField({ readOnly }: Props) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const chosen = useFact("menu_fold");
  return (
    <Choices
      field="menu_fold"
      choices={FOLDS.map((value) => ({
        value,
        name: value ? t("fold.below", { width: value }) : t("fold.never"),
        does: t(`fold.${String(value)}Does`),
      }))}
      chosen={FOLDS.find((width) => width === chosen) ?? 0}
      readOnly={readOnly}
      onChoose={(menu_fold) => facts.choose({ menu_fold })}
    />
  );
}

/** How wide text may run. */
export function WidthField({ readOnly }: Props) {
  const { t } = useTranslation();
  const facts = useFactActions();
  return (
    <Choices
      field="content_width"
      choices={WIDTHS.map((value) => ({
        value,
        name: t(`contentWidth.${value}`),
        does: t(`contentWidth.${value}Does`),
      }))}
      chosen={useFact("content_width")}
      readOnly={readOnly}
      onChoose={(content_width) => facts.choose({ content_width })}
    />
  );
}

/** Whether the pages above are named on those that stand below others. */
export function TrailField({ readOnly }: Props) {
  const { t } = useTranslation();
  const facts = useFactActions();
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-act"
        data-field="shows_trail"
        disabled={readOnly}
        checked={useFact("shows_trail")}
        onChange={(event) => facts.choose({ shows_trail: event.target.checked })}
      />
      {t("trail.show")}
    </label>
  );
}

/** What the header shows. */
export function HeaderPartsField({ readOnly }: Props) {
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
        <label key={part} className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-act"
            disabled={readOnly}
            checked={shown.includes(part)}
            onChange={(event) =>
              facts.choose({
                header_parts: HEADER_PARTS.filter((one) => (one === part ? event.target.checked : shown.includes(one))),
              })
            }
          />
          {t(`headerParts.${part}`)}
        </label>
      ))}
    </div>
  );
}
