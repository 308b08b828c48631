import type { ReactNode } from "react";

interface Props {
  id: string;
  title: string;
  /** Within a view with a head of its own the heading is a little smaller. */
  size?: "base" | "lg";
  className?: string;
  children: ReactNode;
}

/** A part of a view with a heading of its own. */
export function Part({ id, title, size = "base", className = "grid gap-2", children }: Props) {
  return (
    <section aria-labelledby={id} className={className}>
      <h2 id={id} className={`font-semibold ${size === "lg" ? "text-lg" : "text-base"}`}>
        {title}
      </h2>
      {children}
    </section>
  );
}
