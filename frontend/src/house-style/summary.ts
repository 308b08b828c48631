import { DEFAULTS } from "../api/facts.gen";
import { asText, same } from "../draft/document";
import { specOf, type Part } from "../draft/facts";
import { useSelect } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";

const MOST = 4;

/** What a part of the sheet says, in a line: its facts that say something else than how they come. */
export function useSummary(part: Part): string {
  const { t } = useTranslation();
  const said = useSelect(({ facts }) =>
    Object.fromEntries(
      part.rows
        .filter(({ key }) => !same(facts.value(key), DEFAULTS[key]))
        .map(({ key }) => [
          key,
          specOf(key)?.editor === "line" ? asText(facts.value(key)) : (facts.state.meta.words[key] ?? ""),
        ]),
    ),
  );
  const told = Object.entries(said).filter(([, words]) => words.trim() !== "");
  if (told.length === 0) return t("sheet.asItComes");
  return told
    .slice(0, MOST)
    .map(([key, words]) => t("sheet.said", { fact: t(`factName.${key}`), words }))
    .join(" · ");
}
