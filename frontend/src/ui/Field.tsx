import { useId, type InputHTMLAttributes, type ReactNode } from "react";
import type { FieldError } from "../api/problem";

type Props = InputHTMLAttributes<HTMLInputElement> & {
  label: string;
  hint?: ReactNode;
  errors?: FieldError[];
};

/** A labelled one-line field; what is wrong with it is said below it. */
export function Field({ label, hint, errors = [], ...rest }: Props) {
  const id = useId();
  const wrong = errors.length > 0;
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input
        id={id}
        aria-invalid={wrong}
        aria-describedby={`${id}-hint ${id}-wrong`}
        className="min-h-10 w-full rounded-md border border-soft bg-paper px-3 py-2 text-[15px] aria-invalid:border-stop"
        {...rest}
      />
      {hint && (
        <p id={`${id}-hint`} className="text-xs text-soft">
          {hint}
        </p>
      )}
      <p id={`${id}-wrong`} className="text-stop" hidden={!wrong}>
        {errors.map((error) => error.message).join(" ")}
      </p>
    </div>
  );
}
