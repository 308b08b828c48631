import { useId } from "react";

interface Props {
  label: string;
  hideLabel?: boolean;
  value: string;
  disabled?: boolean;
  onChange: (value: string) => void;
}

const WHOLE = /^#[0-9a-f]{6}$/i;

/** A colour by the picker of whoever's machine it is. */
export function ColourInput({ label, hideLabel, value, disabled, onChange }: Props) {
  const id = useId();
  return (
    <span className="flex items-center gap-2">
      <label htmlFor={id} className={hideLabel ? "unseen" : "text-xs text-soft"}>
        {label}
      </label>
      <input
        id={id}
        type="color"
        disabled={disabled}
        value={WHOLE.test(value.trim()) ? value.trim() : "#000000"}
        onChange={(event) => onChange(event.target.value)}
        className="h-9 w-13 flex-none cursor-pointer rounded-md border border-line bg-paper p-1"
      />
    </span>
  );
}
