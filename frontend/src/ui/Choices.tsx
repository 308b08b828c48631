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
        <label
          key={value}
          className="flex cursor-pointer items-baseline gap-2.5 rounded-md border border-line px-3 py-2 has-checked:border-act has-checked:bg-act-soft has-focus-visible:outline-2 has-focus-visible:outline-act"
        >
          <input
            type="radio"
            name={field}
            disabled={readOnly}
            className="size-4 flex-none translate-y-0.5 accent-act"
            checked={chosen === value}
            onChange={() => onChoose(value)}
          />
          <span>
            <span className="block font-medium">{name}</span>
            <span className="block text-xs text-soft">{does}</span>
          </span>
        </label>
      ))}
    </div>
  );
}
