import { ChoiceLine } from "./ChoiceLine";

interface Choice<V extends string | number> {
  value: V;
  name: string;
  /** What choosing it does. */
  does: string;
}

interface Props<V extends string | number> {
  field: string;
  choices: readonly Choice<V>[];
  chosen: V;
  readOnly: boolean;
  onChoose: (value: V) => void;
}

/** One of a few, each with what it does; a fact's row gives it its name. */
export function Choices<V extends string | number>({ field, choices, chosen, readOnly, onChoose }: Props<V>) {
  return (
    <div
      role="radiogroup"
      aria-labelledby={`fact-${field}`}
      data-field={field}
      tabIndex={-1}
      className="grid gap-2 outline-none"
    >
      {choices.map(({ value, name, does }) => (
        <ChoiceLine
          key={value}
          field={field}
          looks="rounded-md border border-line px-3 py-2 has-checked:border-act"
          isChosen={chosen === value}
          readOnly={readOnly}
          onChoose={() => onChoose(value)}
        >
          <span>
            <span className="block font-medium">{name}</span>
            <span className="block text-xs text-soft">{does}</span>
          </span>
        </ChoiceLine>
      ))}
    </div>
  );
}
