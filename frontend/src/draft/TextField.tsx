import { useFieldState, useFieldText, useStore } from "./hooks";
import { fieldName, type DocumentId } from "./store";

interface Props {
  document: DocumentId;
  field: string;
  labelledBy: string;
  describedBy: string;
  placeholder?: string;
  readOnly: boolean;
  language?: string | undefined;
  className?: string;
  /** Whether it is a text of several lines. */
  lines?: boolean;
}

/** A line of words, edited where it stands. It grows to as many lines as it needs, but stays one text. */
export function TextField({
  document,
  field,
  labelledBy,
  describedBy,
  placeholder,
  readOnly,
  language,
  className = "",
  lines = false,
}: Props) {
  const store = useStore();
  const text = useFieldText(document, field);
  const { errors } = useFieldState(document, field);
  return (
    <textarea
      rows={lines ? 5 : 1}
      data-field={fieldName(document, field)}
      dir="auto"
      lang={language}
      spellCheck
      value={text}
      readOnly={readOnly}
      aria-labelledby={labelledBy}
      aria-describedby={describedBy}
      aria-invalid={errors.length > 0}
      placeholder={placeholder}
      className={`fact-field placeholder:font-normal placeholder:text-soft ${className}`}
      // A pasted line break would be refused by the rules; a space is what was meant.
      onChange={(event) =>
        store.type(document, field, lines ? event.target.value : event.target.value.replace(/\s*\n\s*/g, " "))
      }
      onKeyDown={(event) => {
        if (event.key === "Enter" && !lines) event.preventDefault();
      }}
      onBlur={() => store.document(document).settle(field)}
    />
  );
}
