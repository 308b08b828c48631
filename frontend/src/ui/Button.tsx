import type { ButtonHTMLAttributes } from "react";

type Props = ButtonHTMLAttributes<HTMLButtonElement> & { variant?: "act" | "quiet" };

const VARIANTS = {
  act: "bg-act text-on-act hover:brightness-110 disabled:opacity-60",
  quiet: "border border-line bg-paper hover:bg-board disabled:opacity-60",
};

export function Button({ variant = "act", className = "", type = "button", ...rest }: Props) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-9 items-center justify-center rounded-lg px-4 py-2 font-semibold whitespace-nowrap transition-[filter,background-color] duration-100 ${VARIANTS[variant]} ${className}`}
      {...rest}
    />
  );
}
