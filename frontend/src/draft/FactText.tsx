import { useTranslation } from "../i18n/useTranslation";
import type { FactKey } from "./changes";
import { takesFillIns } from "./facts";
import { useFact } from "./hooks";
import { TextField } from "./TextField";

interface Props {
  fact: FactKey;
  readOnly: boolean;
  className: string;
  /** Whether it is a text of several lines. */
  lines?: boolean;
  /** Whether it is in the site's language, and not such a thing as an address or a number. */
  inWords?: boolean;
}

/** The words of a fact in its row, which gives them their name. */
export function FactText({ fact, readOnly, className, lines = false, inWords = true }: Props) {
  const { t } = useTranslation();
  const language = useFact("language");
  return (
    <TextField
      document="facts"
      field={fact}
      labelledBy={`fact-${fact}`}
      describedBy={`why-${fact} wrong-${fact}`}
      placeholder={t(`fact.${fact}.empty`)}
      readOnly={readOnly}
      language={inWords ? language : undefined}
      className={className}
      lines={lines}
      fillIns={takesFillIns(fact)}
    />
  );
}
