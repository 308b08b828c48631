import type { ReactNode } from "react";

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
        <label
          key={value}
          className="flex cursor-pointer items-baseline gap-2.5 rounded-sm px-2 py-1 has-checked:bg-act-soft has-focus-visible:outline-2 has-focus-visible:outline-act"
        >
          <input
            type="radio"
            name={field}
            disabled={readOnly}
            className="size-4 flex-none translate-y-0.5 accent-act"
            checked={chosen === value}
            onChange={() => onChoose(value)}
          />
          {words}
          {note && <span className="ms-auto text-[11px] text-soft">{note}</span>}
        </label>
      ))}
    </div>
  );
}
