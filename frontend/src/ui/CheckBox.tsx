import type { ReactNode } from "react";

interface Props {
  checked: boolean;
  disabled?: boolean;
  /** The name by which undo finds it. */
  field?: string;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}

/** Something that is so or not, with its words beside it. */
export function CheckBox({ checked, disabled, field, onChange, children }: Props) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="size-4 flex-none accent-act"
        data-field={field}
        disabled={disabled}
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}
