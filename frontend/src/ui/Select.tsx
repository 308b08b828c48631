import { useId, type ReactNode } from "react";

interface Props {
  label: ReactNode;
  value: string;
  onChoose: (value: string) => void;
  /** What can be chosen: value and words. */
  options: readonly (readonly [string, string])[];
}

/** One of several, with its label beside it in one line. */
export function Select({ label, value, onChoose, options }: Props) {
  const id = useId();
  return (
    <span className="flex min-w-0 items-center gap-2">
      <label htmlFor={id} className="flex-none">
        {label}
      </label>
      <select
        id={id}
        value={value}
        onChange={(event) => onChoose(event.target.value)}
        className="max-w-52 min-w-0 truncate rounded-sm border border-soft bg-paper px-1.5 py-1 text-ink"
      >
        {options.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </span>
  );
}
