interface Props {
  /** What is read out. */
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}

/** A box that ticks a row of a table, as large as a finger where fingers point. */
export function Tick({ label, checked, onChange }: Props) {
  return (
    <label className="-my-2.5 grid min-h-11 w-10 flex-none place-items-center">
      <span className="unseen">{label}</span>
      <input
        type="checkbox"
        className="size-4 accent-act max-sm:size-6"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
    </label>
  );
}
