import type { ReactNode } from "react";

/** One line of advice: what it means for visitors, and what can be done about it. */
export function Advice({ good = false, children }: { good?: boolean; children: ReactNode }) {
  return (
    <p className={`text-[12.5px] ${good ? "text-act" : "text-warn"}`}>
      <span aria-hidden>{good ? "✓ " : "▲ "}</span>
      {children}
    </p>
  );
}
