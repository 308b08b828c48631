import type { ReactNode } from "react";
import { ChoiceLine } from "./ChoiceLine";

interface Option {
  value: string;
  /** What it is, by an example. */
  words: ReactNode;
  /** A word at its end, such as why it comes first. */
  note?: string | undefined;
}

interface Props {
  field: string;
  options: readonly Option[];
  chosen: string;
  readOnly: boolean;
  onChoose: (value: string) => void;
}

/** One of many, each by an example in a line of its own; a fact's row gives it its name. */
export function ExampleChoices({ field, options, chosen, readOnly, onChoose }: Props) {
  return (
    <div
      role="radiogroup"
      aria-labelledby={`fact-${field}`}
      className="mb-1.5 grid max-h-44 overflow-y-auto rounded-md border border-line p-1"
    >
      {options.map(({ value, words, note }) => (
        <ChoiceLine
          key={value}
          field={field}
          looks="rounded-sm px-2 py-1"
          isChosen={chosen === value}
          readOnly={readOnly}
          onChoose={() => onChoose(value)}
        >
          {words}
          {note && <span className="ms-auto text-[11px] text-soft">{note}</span>}
        </ChoiceLine>
      ))}
    </div>
  );
}
