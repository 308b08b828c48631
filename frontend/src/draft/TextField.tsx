import { useRef } from "react";
import { FillInOffers } from "./FillInOffers";
import { useFieldState, useFieldText, useStore } from "./hooks";
import { fieldName, type DocumentId } from "./store";
import { useFillIns } from "./useFillIns";

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
  /** Whether it may hold fill-ins, which are then offered. */
  fillIns?: boolean;
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
  fillIns = false,
}: Props) {
  const store = useStore();
  const text = useFieldText(document, field);
  const { errors } = useFieldState(document, field);
  const element = useRef<HTMLTextAreaElement>(null);
  // A pasted line break would be refused by the rules; a space is what was meant.
  const write = (words: string) => store.type(document, field, lines ? words : words.replace(/\s*\n\s*/g, " "));
  const fills = useFillIns(fillIns && !readOnly, write);
  const isOffering = fills.offered.length > 0;
  const area = (
    <textarea
      ref={element}
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
      aria-autocomplete={fillIns ? "list" : undefined}
      aria-controls={isOffering ? fills.id : undefined}
      aria-activedescendant={isOffering ? `${fills.id}-${String(fills.at)}` : undefined}
      onChange={(event) => {
        write(event.target.value);
        fills.follow(event);
      }}
      onSelect={fills.follow}
      onKeyDown={(event) => {
        if (fills.onKey(event)) return;
        if (event.key === "Enter" && !lines) event.preventDefault();
      }}
      onBlur={() => {
        fills.close();
        store.document(document).settle(field);
      }}
    />
  );
  if (!fillIns) return area;
  return (
    <div className="relative">
      {area}
      <FillInOffers fills={fills} field={element} />
    </div>
  );
}
