import type { InputHTMLAttributes } from "react";

type Props = Omit<InputHTMLAttributes<HTMLInputElement>, "onChange" | "type" | "className"> & {
  onChoose: (at: string) => void;
};

/** A day and a time on the site's clock. */
export function WallTime({ onChoose, ...rest }: Props) {
  return (
    <input
      type="datetime-local"
      className="rounded-sm border border-soft bg-paper px-1.5 py-1 text-ink"
      onChange={(event) => onChoose(event.target.value)}
      {...rest}
    />
  );
}
