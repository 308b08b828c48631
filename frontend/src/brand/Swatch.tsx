/** A colour to be taken at a click; `label` says what taking it does. */
export function Swatch({ colour, label, onTake }: { colour: string; label: string; onTake: () => void }) {
  return (
    <button
      type="button"
      title={colour}
      aria-label={label}
      className="size-7 rounded-sm border border-line"
      style={{ background: colour }}
      onClick={onTake}
    />
  );
}
