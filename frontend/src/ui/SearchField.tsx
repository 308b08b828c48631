interface Props {
  label: string;
  value: string;
  onType: (text: string) => void;
}

/** A field by which a list is searched. */
export function SearchField({ label, value, onType }: Props) {
  return (
    <label>
      <span className="unseen">{label}</span>
      <input
        type="search"
        value={value}
        placeholder={label}
        onChange={(event) => onType(event.target.value)}
        className="min-h-9 w-72 max-w-full rounded-md border border-soft bg-paper px-3"
      />
    </label>
  );
}
